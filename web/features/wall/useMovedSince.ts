import { useEffect, useMemo, useState } from 'react';
import { draftKey } from '../../lib/device';
import type { Board } from '../../parts/board/useBoard';

type Seen = Record<string, string>;

function seenOf(board: Board): Seen {
  return Object.fromEntries(
    board.ladders.map(({ id, standing }) => [id, standing === null ? '' : `${standing.rung} ${standing.step}`]),
  );
}

function read(key: string): Seen | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Seen | null;
  } catch {
    return null;
  }
}

/** The ladders on which a client stands elsewhere than when this person last left the wall on this device. */
export function useMovedSince(board: Board | undefined): ReadonlySet<string> {
  const key = board === undefined ? null : draftKey(`wall:${board.id}`);
  const [before, setBefore] = useState<{ key: string; seen: Seen | null } | null>(null);
  if (key !== null && before?.key !== key) setBefore({ key, seen: read(key) });
  const now = useMemo(() => (board === undefined ? {} : seenOf(board)), [board]);
  useEffect(() => {
    if (key === null) return;
    return () => {
      localStorage.setItem(key, JSON.stringify(now));
    };
  }, [key, now]);
  const seen = before?.seen ?? null;
  return new Set(seen === null ? [] : Object.keys(now).filter((id) => seen[id] !== undefined && seen[id] !== now[id]));
}
