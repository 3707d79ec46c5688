import { useSyncExternalStore } from 'react';
import type { Schemas } from '../../api/client';
import { Code } from '../../ui/Code';
import type { Board, BoardLadder, useLibrary } from '../../parts/board/useBoard';
import type { WallLayout } from './layout';

/** Which ladders the wall shows: those of the week and the aims, those chosen for the client, or every one by group. */
export type View = 'week' | 'chosen' | 'all';

/** A column of the wall: a ladder, or a whole group of ladders folded into one. */
export interface Column {
  category: string;
  ladder?: BoardLadder;
  group: BoardLadder[];
}

export function columnsOf(
  board: Board,
  view: View,
  open: string | null,
  categories: Schemas['LibraryAnswer']['categories'],
  narrow: boolean,
): Column[] {
  const aims = new Set(board.aims);
  const used = board.used_ladders === null ? null : new Set(board.used_ladders);
  const alone = (ladder: BoardLadder): Column => ({ category: ladder.category, ladder, group: [] });
  const inWeek = board.ladders.filter((each) => each.in_week || each.rungs.some((rung) => aims.has(rung.id)));
  if (view === 'week' && inWeek.length > 0) return inWeek.map(alone);
  if (view === 'chosen' && used !== null) return board.ladders.filter((each) => used.has(each.id)).map(alone);
  const shown = open ?? categories.find((each) => each.direction)?.code;
  return categories.flatMap((category) => {
    const group = board.ladders.filter((each) => each.category === category.code);
    if (group.length === 0 || (narrow && category.code !== shown)) return [];
    return category.code === shown ? group.map(alone) : [{ category: category.code, group }];
  });
}

const wide = window.matchMedia('(min-width: 1024px)');

/** Whether the screen has room for one group only. */
export function useNarrow(): boolean {
  return useSyncExternalStore(
    (changed) => {
      wide.addEventListener('change', changed);
      return () => {
        wide.removeEventListener('change', changed);
      };
    },
    () => !wide.matches,
  );
}

/** The groups as a row of buttons, where there is no room for them beside each other. */
export function GroupRow({
  board,
  open,
  categories,
  onOpen,
}: {
  board: Board;
  open: string | null;
  categories: Schemas['LibraryAnswer']['categories'];
  onOpen: (category: string, first: BoardLadder | undefined) => void;
}) {
  const shown = open ?? categories.find((each) => each.direction)?.code;
  return (
    <div role="group" aria-label="Direction shown" className="mb-2 grid grid-cols-9 gap-0.5 lg:hidden">
      {categories.map((category) => (
        <button
          key={category.code}
          type="button"
          title={category.name}
          aria-pressed={shown === category.code}
          onClick={() => {
            onOpen(
              category.code,
              board.ladders.find((each) => each.category === category.code),
            );
          }}
          className={`min-h-9 rounded border text-center ${shown === category.code ? 'border-ink bg-card' : 'border-line'}`}
        >
          <Code code={category.code} />
        </button>
      ))}
    </div>
  );
}

/** The head of a folded group. */
export function GroupHead({
  category,
  ladders,
  library,
  onOpen,
}: {
  category: string;
  ladders: BoardLadder[];
  library: NonNullable<ReturnType<typeof useLibrary>['data']>;
  onOpen: () => void;
}) {
  const name = library.categories.find((each) => each.code === category)?.name ?? category;
  return (
    <div className="text-center">
      <button
        type="button"
        aria-expanded={false}
        title={`${name}: ${ladders.map((each) => each.name).join(', ')}`}
        onClick={onOpen}
        className="min-h-8 w-full rounded-md border border-line bg-card hover:border-ink"
      >
        <Code code={category} />
        <span className="block text-sm font-bold">{ladders.length}</span>
        <span className="sr-only"> ladders, {name}</span>
      </button>
    </div>
  );
}

/** Where the client stands on the ladders of a folded group: one mark a ladder, level by level. */
export function GroupMarks({ ladders, layout }: { ladders: BoardLadder[]; layout: WallLayout }) {
  const count = new Map<number, number>();
  for (const ladder of ladders) {
    const level = ladder.rungs.find((rung) => rung.id === ladder.standing?.rung)?.level;
    if (level !== undefined) count.set(level, (count.get(level) ?? 0) + 1);
  }
  return (
    <span aria-hidden>
      {[...count].map(([level, many]) => {
        const band = layout.bands.find((each) => each.level === level);
        return (
          band !== undefined && (
            <span
              key={level}
              className="absolute inset-x-0.5 flex items-center justify-center rounded-sm bg-stand text-sm font-bold text-on-stand"
              style={{ top: band.top + band.height / 2 - 9, height: 18 }}
            >
              {many}
            </span>
          )
        );
      })}
    </span>
  );
}
