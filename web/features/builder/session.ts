import type { Schemas } from '../../api/client';

/** The open format of a session, as far as the builder changes it; the generated type cannot tell the kinds of block apart. */
export interface Session {
  format: 'even-rungs/session';
  version: 1;
  day: Schemas['SessionMoveRequest']['day'];
  kind: 'standalone' | 'after-lift' | 'before-lift' | 'after-sport' | 'activation';
  warm_up_s?: number;
  cool_down_s?: number;
  warm_up?: { what: string; s: number }[] | undefined;
  cool_down?: { what: string; s: number }[] | undefined;
  claimed_s?: number;
  change?: { side_s: number; station_s: number };
  blocks: Block[];
}

type Block =
  | { type: 'straight'; entries: Entry[]; rest_after_s?: number }
  | { type: 'circuit'; rounds: number; entries: Entry[]; rest_after_s?: number; round_rest_s?: number }
  | { type: 'rest'; rest_s: number; rest_after_s?: number };

interface Entry {
  exercise: string;
  sets?: number;
}

export type SentSession = Schemas['SessionPreviewRequest']['session'];

export function sent(session: Session): SentSession {
  return session as unknown as SentSession;
}

/** The session alone, as a program that holds nothing else. */
export function asProgram(session: Session): NonNullable<Schemas['ProgramFileRequest']['program']> {
  const program = { format: 'even-rungs/program', version: 1, weeks: [{ week: 1, sessions: [session] }] };
  return program as unknown as NonNullable<Schemas['ProgramFileRequest']['program']>;
}

export function received(session: Schemas['BuiltSession']['session']): Session {
  return session as unknown as Session;
}

/** Where an entry stands: its block and its place in it, from 0. */
export interface Place {
  block: number;
  entry: number;
}

export const emptySession: Session = {
  format: 'even-rungs/session',
  version: 1,
  day: 'mon',
  kind: 'standalone',
  warm_up_s: 0,
  cool_down_s: 0,
  change: { side_s: 5, station_s: 10 },
  blocks: [],
};

export function entriesOf(block: Block | undefined): Entry[] {
  return block !== undefined && 'entries' in block ? block.entries : [];
}

function withEntries(session: Session, block: number, entries: Entry[]): Session {
  const blocks = session.blocks.map((each, b) => (b === block && 'entries' in each ? { ...each, entries } : each));
  return { ...session, blocks: blocks.filter((each) => !('entries' in each) || each.entries.length > 0) };
}

/** A circuit counts rounds, so its entries have one set; elsewhere the count stays as it was. */
function fitted(entry: Entry, block: Block | undefined): Entry {
  return block?.type === 'circuit' ? { ...entry, sets: 1 } : entry;
}

export function withoutEntry(session: Session, at: Place): Session {
  return withEntries(
    session,
    at.block,
    entriesOf(session.blocks[at.block]).filter((_, e) => e !== at.entry),
  );
}

/** The entry taken from one place and put before another. */
export function moveEntry(session: Session, from: Place, to: Place): Session {
  const moved = entriesOf(session.blocks[from.block])[from.entry];
  if (moved === undefined) return session;
  if (from.block === to.block) {
    const entries = [...entriesOf(session.blocks[from.block])];
    entries.splice(from.entry, 1);
    entries.splice(to.entry, 0, moved);
    return withEntries(session, from.block, entries);
  }
  const target = [...entriesOf(session.blocks[to.block])];
  target.splice(to.entry, 0, fitted(moved, session.blocks[to.block]));
  const blocks = session.blocks.map((each, b) =>
    b === to.block && 'entries' in each ? { ...each, entries: target } : each,
  );
  return withoutEntry({ ...session, blocks }, from);
}

/** One up or down; past the end of a block into the next one. */
export function nudgeEntry(session: Session, at: Place, step: 1 | -1): Session {
  const count = entriesOf(session.blocks[at.block]).length;
  const next = at.entry + step;
  if (next >= 0 && next < count) return moveEntry(session, at, { block: at.block, entry: next });
  for (let b = at.block + step; b >= 0 && b < session.blocks.length; b += step) {
    const block = session.blocks[b];
    if (block !== undefined && 'entries' in block) {
      return moveEntry(session, at, { block: b, entry: step === 1 ? 0 : block.entries.length });
    }
  }
  return session;
}

export function withoutBlock(session: Session, block: number): Session {
  return { ...session, blocks: session.blocks.filter((_, b) => b !== block) };
}

export function moveBlock(session: Session, block: number, step: number): Session {
  const blocks = [...session.blocks];
  const [moved] = blocks.splice(block, 1);
  if (moved === undefined) return session;
  blocks.splice(Math.max(0, block + step), 0, moved);
  return { ...session, blocks };
}

export function addRest(session: Session): Session {
  return { ...session, blocks: [...session.blocks, { type: 'rest', rest_s: 60 }] };
}

export function withRest(session: Session, block: number, rest_s: number): Session {
  return {
    ...session,
    blocks: session.blocks.map((each, b) => (b === block && each.type === 'rest' ? { ...each, rest_s } : each)),
  };
}

/** All sets of one exercise, then the next: a circuit's rounds become sets. */
export function asStraight(session: Session, block: number): Session {
  return {
    ...session,
    blocks: session.blocks.map((each, b) =>
      b === block && each.type === 'circuit'
        ? { type: 'straight', entries: each.entries.map((entry) => ({ ...entry, sets: each.rounds })) }
        : each,
    ),
  };
}
