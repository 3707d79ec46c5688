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

/** The ladders on which a client stands elsewhere than when this person last left the wall on this device; not what they move now. */
export function useMovedSince(board: Board | undefined): ReadonlySet<string> {
  const key = board === undefined ? null : draftKey(`wall:${board.id}`);
  const [found, setFound] = useState<{ key: string; moved: ReadonlySet<string> } | null>(null);
  const now = useMemo(() => (board === undefined ? {} : seenOf(board)), [board]);
  if (key !== null && found?.key !== key) {
    const seen = read(key) ?? {};
    const moved = Object.keys(now).filter((id) => seen[id] !== undefined && seen[id] !== now[id]);
    setFound({ key, moved: new Set(moved) });
  }
  useEffect(() => {
    if (key === null) return;
    return () => {
      localStorage.setItem(key, JSON.stringify(now));
    };
  }, [key, now]);
  return found?.moved ?? new Set();
}
