import type { BoardLadder } from '../../parts/board/useBoard';

/** High enough for three lines of a name. */
export const rowHeight = 52;
const bandGap = 7;

export interface WallLayout {
  height: number;
  /** Middle of a rung from the top, in px. */
  middle: (rung: string) => number;
  bands: { level: number; top: number; height: number }[];
}

/** Sets the rungs of all ladders on one scale of levels, easiest at the bottom. */
export function layOut(ladders: BoardLadder[]): WallLayout {
  const rows = new Map<number, number>();
  for (const ladder of ladders) {
    const here = new Map<number, number>();
    for (const rung of ladder.rungs) here.set(rung.level, (here.get(rung.level) ?? 0) + 1);
    for (const [level, count] of here) rows.set(level, Math.max(rows.get(level) ?? 0, count));
  }
  const levels = [...rows.keys()].sort((a, b) => b - a);
  const bands: WallLayout['bands'] = [];
  let top = 0;
  for (const level of levels) {
    const height = (rows.get(level) ?? 0) * rowHeight + bandGap;
    bands.push({ level, top, height });
    top += height;
  }
  const middles = new Map<string, number>();
  for (const ladder of ladders) {
    const placed = new Map<number, number>();
    for (const rung of ladder.rungs) {
      const band = bands.find((each) => each.level === rung.level);
      const index = placed.get(rung.level) ?? 0;
      placed.set(rung.level, index + 1);
      if (band !== undefined)
        middles.set(rung.id, band.top + band.height - bandGap / 2 - index * rowHeight - rowHeight / 2);
    }
  }
  return { height: top, bands, middle: (rung) => middles.get(rung) ?? 0 };
}
