import { useMutation, useMutationState, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import { answer, api, isUnreachable, type Schemas } from '../../api/client';

export type Board = Schemas['Board'];
export type BoardLadder = Schemas['BoardLadder'];
export type BoardRung = Schemas['BoardRung'];

/** How the client's house style coaches a rung. */
export function wordsOn(board: Board, rung: string): string[] {
  return board.words.filter((each) => each.rungs.includes(rung)).map((each) => each.say);
}

export function useClientId(): string {
  return useParams().client ?? '';
}

/** The board of a client; none is asked for where nobody is named. */
export function useBoardOf(client: string) {
  return useQuery({
    queryKey: ['board', client],
    queryFn: () => answer(api.GET('/clients/{client}/board', { params: { path: { client } } })),
    enabled: client !== '',
  });
}

/** The board of the client in the address, with what is on its way to the server as it will be; what is refused was never there. */
export function useBoard() {
  const client = useClientId();
  const board = useBoardOf(client);
  const underWay = useMutationState({
    filters: { mutationKey: ['board', client], status: 'pending' },
    select: (change) => change.state.variables as BoardChange,
  });
  const known = board.data;
  const foreseen = useMemo(
    () =>
      known === undefined ? undefined : underWay.reduce((before, each) => each.foresee?.(before) ?? before, known),
    [known, underWay],
  );
  return { ...board, data: foreseen } as typeof board;
}

/** Changes of the client in the address go one after the other, each on the version that the one before it made. */
export function useInTurn() {
  const client = useClientId();
  const queries = useQueryClient();
  return {
    scope: { id: client },
    version: () => queries.getQueryData<Board>(['board', client])?.version ?? 1,
    /** to be waited for when a change is done: then the next one begins */
    settled: () => queries.invalidateQueries({ queryKey: ['board', client] }),
  };
}

/** Everything that never changes while the page is open: ladders, words, cues. */
export function useLibrary() {
  return useQuery({ queryKey: ['library'], queryFn: () => answer(api.GET('/library')), staleTime: Infinity });
}

/** A change of a client's board: what a person calls it, and how it is sent on the version that is shown. */
export interface BoardChange {
  name: string;
  /** what it is about, in words of the newer board, where somebody else was faster */
  about?: (newer: Board) => string;
  /** how the board looks with it, as far as the page can tell before the server has answered */
  foresee?: (board: Board) => Board;
  send: (client: string, version: number, known?: Board) => Promise<Board>;
}

/** The board with what a move changed of it. */
export function withChanges(known: Board, changes: Schemas['BoardChanges']): Board {
  const changed = new Map(changes.ladders.map((ladder) => [ladder.id, ladder]));
  const touched = changes.board as Partial<Board>;
  return { ...known, ...touched, ladders: known.ladders.map((ladder) => changed.get(ladder.id) ?? ladder) };
}

export function undo(): BoardChange {
  return {
    name: 'Your undo',
    send: (client, version) =>
      answer(api.POST('/clients/{client}/undo', { params: { path: { client } }, body: { version } })),
  };
}

export function redo(): BoardChange {
  return {
    name: 'Your redo',
    send: (client, version) =>
      answer(api.POST('/clients/{client}/redo', { params: { path: { client } }, body: { version } })),
  };
}

/** Makes changes of the client in the address; the board it answers with replaces the one on the page. */
export function useBoardChange() {
  const client = useClientId();
  const queries = useQueryClient();
  return useMutation({
    mutationKey: ['board', client],
    scope: { id: client },
    // what could not be sent waits for as long as the page is open
    gcTime: Infinity,
    mutationFn: (change: BoardChange) => {
      const known = queries.getQueryData<Board>(['board', client]);
      return change.send(client, known?.version ?? 1, known);
    },
    onSuccess: (board, change) => {
      queries.setQueryData(['board', client], board);
      const cache = queries.getMutationCache();
      for (const each of cache.findAll({ mutationKey: ['board', client] })) {
        const isOver =
          each.state.status === 'success' || (each.state.status === 'error' && !isUnreachable(each.state.error));
        if (isOver && each.state.variables !== change) cache.remove(each);
      }
      void queries.invalidateQueries({ queryKey: ['clients'] });
      void queries.invalidateQueries({ queryKey: ['programs', client] });
    },
  });
}
