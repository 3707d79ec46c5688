import { Flag } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { useSearchParams } from 'react-router';
import { shortName } from '../../lib/words';
import { Code } from '../../ui/Code';
import { Notice, Waiting } from '../../ui/Notice';
import { isConflict, isUnreachable } from '../../api/client';
import {
  redo,
  undo,
  useBoard,
  useBoardChange,
  useLibrary,
  wordsOn,
  type BoardLadder,
  type BoardRung,
} from '../../parts/board/useBoard';
import { ChooseLadders } from './ChooseLadders';
import { columnsOf, GroupHead, GroupMarks, GroupRow, useNarrow, type View } from './groups';
import { Keys } from './Keys';
import { layOut, rowHeight } from './layout';
import { RungPanel } from './RungPanel';
import { moveRung } from './changes';
import { useMovedSince } from './useMovedSince';

const views: readonly View[] = ['week', 'chosen', 'all'];

/** Letters of a name that leave no line for why it is barred; the card says it. */
const LONG = 26;

/** The client's ladders side by side on one scale, with the line that joins where the client stands. */
export function Wall() {
  const board = useBoard();
  const library = useLibrary();
  const command = useBoardChange();
  const [address, setAddress] = useSearchParams();
  const view = views.find((each) => each === address.get('view')) ?? 'week';
  const open = library.data?.categories.find((each) => each.code === address.get('of'))?.code ?? null;
  const selected = address.get('rung');
  const look = (part: Record<string, string | null>) => {
    setAddress(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [key, value] of Object.entries(part)) {
          if (value === null) next.delete(key);
          else next.set(key, value);
        }
        return next;
      },
      { replace: true },
    );
  };
  const setSelected = (rung: string | null) => {
    look({ rung });
  };
  const moved = useMovedSince(board.data);
  const narrow = useNarrow();
  const aims = useMemo(() => new Set(board.data?.aims), [board.data]);
  const columns = useMemo(
    () => (board.data === undefined ? [] : columnsOf(board.data, view, open, library.data?.categories ?? [], narrow)),
    [board.data, library.data, view, open, narrow],
  );
  const ladders = useMemo(
    () => columns.flatMap((column) => (column.ladder === undefined ? [] : [column.ladder])),
    [columns],
  );
  const layout = useMemo(() => layOut(ladders), [ladders]);
  const [folds, setFolds] = useState<Record<string, boolean>>({});
  const [note, setNote] = useState('');
  const wall = useRef<HTMLDivElement>(null);
  const directions = new Set(library.data?.categories.filter((each) => each.direction).map((each) => each.code));
  const folded = new Set(
    ladders
      .filter((each) => folds[each.id] ?? (view !== 'all' && !directions.has(each.category)))
      .map((each) => each.id),
  );

  const fallback = ladders.find((ladder) => ladder.standing !== null && ladder.category === 'AE') ?? ladders[0];
  // an address may name a rung that is not shown, or none that there is
  const isShown = ladders.some((each) => each.rungs.some((rung) => rung.id === selected));
  const selectedId = isShown ? selected : (fallback?.standing?.rung ?? fallback?.rungs[0]?.id ?? null);
  const ladder = ladders.find((each) => each.rungs.some((rung) => rung.id === selectedId));
  const rung = ladder?.rungs.find((each) => each.id === selectedId);

  const arrived = useRef(false);
  useEffect(() => {
    // where one scrolls, the rung that somebody stands on is in view on arrival
    const stands = selectedId === null ? null : wall.current?.querySelector<HTMLElement>(`[data-rung="${selectedId}"]`);
    if (arrived.current || !narrow || stands === null || stands === undefined) return;
    arrived.current = true;
    // once it is drawn: what scrolls in the frame that it comes in counts as jumping
    requestAnimationFrame(() => {
      requestAnimationFrame(() => {
        stands.scrollIntoView({ block: 'nearest', inline: 'center' });
      });
    });
  });

  if (board.isPending || library.isPending) return <Waiting what="the wall" />;
  if (library.isError) return <Notice title={library.error.message} />;
  if (ladder === undefined || rung === undefined) return null;

  function openGroup(category: string, first: BoardLadder | undefined) {
    look({ of: category, rung: first?.standing?.rung ?? first?.rungs[0]?.id ?? null });
  }

  function choose(id: string) {
    setSelected(id);
    wall.current?.querySelector<HTMLElement>(`[data-rung="${id}"]`)?.focus();
  }

  function move(target: string | null, step = 0) {
    if (target === null || command.isPending) return;
    command.mutate(moveRung(target, step, note), {
      onSuccess: () => {
        setNote('');
      },
    });
    choose(target);
  }

  function onKey(event: KeyboardEvent, at: BoardLadder, on: BoardRung) {
    const index = at.rungs.indexOf(on);
    const column = ladders.indexOf(at);
    const beside = (step: number) => {
      const next = ladders[column + step];
      if (next === undefined) return;
      const y = layout.middle(on.id);
      const nearest = [...next.rungs].sort(
        (a, b) => Math.abs(layout.middle(a.id) - y) - Math.abs(layout.middle(b.id) - y),
      )[0];
      if (nearest !== undefined) choose(nearest.id);
    };
    const act: Record<string, () => void> = {
      ArrowUp: () => {
        const next = at.rungs[index + 1];
        if (next !== undefined) choose(next.id);
      },
      ArrowDown: () => {
        const next = at.rungs[index - 1];
        if (next !== undefined) choose(next.id);
      },
      ArrowLeft: () => {
        beside(-1);
      },
      ArrowRight: () => {
        beside(1);
      },
      '+': () => {
        move(at.up);
      },
      '-': () => {
        move(at.down);
      },
      z: () => {
        if (board.data?.undo !== null) command.mutate(undo());
      },
      y: () => {
        if (board.data?.redo !== null) command.mutate(redo());
      },
    };
    const handler = act[event.key];
    if (handler !== undefined && !event.ctrlKey && !event.metaKey && !event.altKey) {
      event.preventDefault();
      handler();
    }
  }

  const line = columns.map((each) =>
    each.ladder?.standing === undefined || each.ladder.standing === null
      ? null
      : layout.middle(each.ladder.standing.rung),
  );

  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div>
        <ChooseLadders
          view={view}
          onView={(next) => {
            look({ view: next === 'week' ? null : next });
          }}
          shown={ladders.length}
        />
        {view === 'all' && board.data !== undefined && (
          <GroupRow board={board.data} open={open} categories={library.data.categories} onOpen={openGroup} />
        )}
        <div className="overflow-x-auto pb-1 max-lg:snap-x max-lg:snap-proximity max-lg:scroll-pl-8">
          <div
            ref={wall}
            role="group"
            aria-label="Wall of ladders"
            className="relative grid gap-x-2.5"
            style={{
              gridTemplateColumns: `1.6rem ${columns.map((each) => (each.ladder === undefined || folded.has(each.ladder.id) ? '3.6rem' : narrow ? 'min(66vw, 15rem)' : 'minmax(7.75rem, 1fr)')).join(' ')}`,
            }}
          >
            <div />
            {columns.map(({ ladder: each, category, group }) =>
              each === undefined ? (
                <GroupHead
                  key={category}
                  category={category}
                  ladders={group}
                  library={library.data}
                  onOpen={() => {
                    openGroup(category, group[0]);
                  }}
                />
              ) : (
                <LadderHead
                  key={each.id}
                  ladder={each}
                  library={library.data}
                  folded={folded.has(each.id)}
                  moved={moved.has(each.id)}
                  onFold={() => {
                    setFolds({ ...folds, [each.id]: !folded.has(each.id) });
                  }}
                />
              ),
            )}
            <div className="sticky left-0 z-10 bg-paper" style={{ height: layout.height }} aria-hidden>
              {layout.bands.map((band) => (
                <span
                  key={band.level}
                  className="absolute inset-x-0 flex items-center justify-center border-t border-line text-sm font-bold text-faint"
                  style={{ top: band.top, height: band.height }}
                >
                  {band.level}
                </span>
              ))}
            </div>
            {columns.map(({ ladder: each, category, group }, i) => (
              <div key={each?.id ?? category} className="relative" style={{ height: layout.height }}>
                {layout.bands.map((band) => (
                  <span
                    key={band.level}
                    className="absolute -inset-x-2 border-t border-line"
                    style={{ top: band.top }}
                    aria-hidden
                  />
                ))}
                {each === undefined && <GroupMarks ladders={group} layout={layout} />}
                {each !== undefined && <Rails ladder={each} layout={layout} />}
                <Joint from={line[i - 1] ?? null} to={line[i] ?? null} />
                {each?.rungs.map((one) => (
                  <RungBar
                    key={one.id}
                    ladder={each}
                    rung={one}
                    folded={folded.has(each.id)}
                    aim={aims.has(one.id)}
                    top={layout.middle(one.id) - rowHeight / 2 + 3}
                    selected={one.id === rung.id}
                    onSelect={() => {
                      setSelected(one.id);
                    }}
                    onKey={(event) => {
                      onKey(event, each, one);
                    }}
                  />
                ))}
              </div>
            ))}
          </div>
        </div>
        <div className="mt-2">
          <Keys />
        </div>
      </div>
      <RungPanel
        ladder={ladder}
        rung={rung}
        library={library.data}
        weekTotal={board.data?.week?.total.text ?? null}
        busy={command.isPending}
        error={whatFailed(command.error)}
        note={note}
        onNote={setNote}
        limits={board.data?.client.limits ?? []}
        style={board.data?.style.name ?? ''}
        said={board.data === undefined ? [] : wordsOn(board.data, rung.id)}
        onMove={move}
        onShow={choose}
      />
    </div>
  );
}

function LadderHead({
  ladder,
  library,
  folded,
  moved,
  onFold,
}: {
  ladder: BoardLadder;
  library: NonNullable<ReturnType<typeof useLibrary>['data']>;
  folded: boolean;
  /** whether the client stands elsewhere than when this was last looked at */
  moved: boolean;
  onFold: () => void;
}) {
  const category = library.categories.find((each) => each.code === ladder.category);
  const lowest = ladder.rungs.find((each) => each.state === 'open');
  const swap = library.library.ladders.flatMap((each) => each.rungs).find((each) => each.id === ladder.swap);
  return (
    <div className="flex snap-start flex-col items-center justify-end pb-1 text-center">
      <button
        type="button"
        aria-expanded={!folded}
        title={folded ? `Unfold ${ladder.name}` : `Fold ${ladder.name}`}
        onClick={onFold}
        className="min-h-8 w-full rounded-md hover:bg-card"
      >
        <Code code={ladder.category} {...(category === undefined ? {} : { title: category.name })} />
        <span className={`block text-sm leading-tight break-words ${folded ? '' : 'font-bold'}`}>{ladder.name}</span>
      </button>
      {moved && (
        <p className={`text-sm leading-tight font-bold text-act ${folded ? 'sr-only' : ''}`}>new since last time</p>
      )}
      <p className={folded ? 'sr-only' : 'text-sm leading-tight text-faint'}>
        {ladder.standing === null ? (
          <span className="font-semibold text-warn">
            {lowest === undefined ? 'nothing allowed' : `starts at level ${lowest.level}, not within reach yet`}
            {swap === undefined ? '' : `; try ${swap.name.toLowerCase()}`}
          </span>
        ) : ladder.in_week ? (
          'in this week'
        ) : (
          'not in this week'
        )}
      </p>
    </div>
  );
}

function Rails({ ladder, layout }: { ladder: BoardLadder; layout: ReturnType<typeof layOut> }) {
  const bottom = layout.middle(ladder.rungs[0]?.id ?? '');
  const top = layout.middle(ladder.rungs[ladder.rungs.length - 1]?.id ?? '');
  return (
    <span aria-hidden>
      {['left-1.5', 'right-1.5'].map((side) => (
        <span
          key={side}
          className={`absolute ${side} w-1 rounded-full bg-wood`}
          style={{ top: top - rowHeight / 2 - 2, height: bottom - top + rowHeight + 4 }}
        />
      ))}
    </span>
  );
}

function RungBar({
  ladder,
  rung,
  folded,
  aim,
  top,
  selected,
  onSelect,
  onKey,
}: {
  ladder: BoardLadder;
  rung: BoardRung;
  folded: boolean;
  aim: boolean;
  top: number;
  selected: boolean;
  onSelect: () => void;
  onKey: (event: KeyboardEvent) => void;
}) {
  const standing = ladder.standing?.rung === rung.id;
  const next = ladder.up === rung.id;
  const planned = ladder.path.find((each) => each.rung === rung.id)?.week ?? null;
  const blocked = rung.state !== 'open';
  const name = shortName(rung.name, ladder.name);
  const look = standing
    ? 'bg-stand text-on-stand border-stand font-bold'
    : blocked
      ? 'hatched bg-paper text-faint border-line'
      : next
        ? 'bg-card border-dashed border-act border-2'
        : 'bg-card border-wood';
  const spoken = [
    folded ? rung.name : '',
    `level ${rung.level}`,
    standing ? `stands here, step ${(ladder.standing?.step ?? 0) + 1} of ${rung.steps.length}` : '',
    next ? 'next' : '',
    planned !== null && !standing ? `planned from week ${planned}` : '',
    aim ? 'the aim' : '',
    ...rung.reasons,
  ]
    .filter((part) => part !== '')
    .join(', ');
  return (
    <button
      type="button"
      data-rung={rung.id}
      title={folded ? rung.name : undefined}
      data-state={rung.state}
      data-standing={standing || undefined}
      aria-pressed={selected}
      tabIndex={selected ? 0 : -1}
      onClick={onSelect}
      onFocus={onSelect}
      onKeyDown={onKey}
      className={`absolute inset-x-0 flex scroll-mb-60 lg:scroll-mb-0 flex-col justify-center overflow-hidden rounded-md border px-1.5 text-left text-sm leading-[1.05] ${look} ${standing ? 'pr-2.5' : ''} ${selected ? 'outline-2 outline-offset-1 outline-act' : ''}`}
      style={{ top, height: rowHeight - 6 }}
    >
      {!folded && (
        <>
          <span className={`flex items-center gap-1 ${blocked ? 'rounded-xs bg-paper' : ''}`}>
            <span className="line-clamp-3">
              {blocked && rung.state !== 'later' && (
                <span aria-hidden className="text-warn">
                  ✕{' '}
                </span>
              )}
              {name}
            </span>
          </span>
          {blocked && name.length <= LONG && (
            <span aria-hidden className="truncate rounded-xs bg-paper text-warn">
              {rung.state === 'later' && 'later: '}
              {rung.labels.join(', ')}
            </span>
          )}
        </>
      )}
      {planned !== null && !standing && (
        <span
          aria-hidden
          className="absolute right-0.5 bottom-0.5 rounded-xs bg-stand px-0.5 text-sm leading-none font-bold text-on-stand"
        >
          w{planned}
        </span>
      )}
      {aim && (
        <Flag size={13} aria-hidden className="absolute top-0.5 right-0.5 fill-act text-act" data-aim={rung.id} />
      )}
      {standing && <Climb done={(ladder.standing?.step ?? 0) + 1} of={rung.steps.length} />}
      <span className="sr-only">{folded ? spoken : `, ${spoken}`}</span>
    </button>
  );
}

/** How far the dose has climbed on the rung: one small step a piece, filled from below. */
function Climb({ done, of }: { done: number; of: number }) {
  return (
    <span aria-hidden className="absolute inset-y-0.5 right-0.5 flex w-1.5 flex-col-reverse gap-px">
      {Array.from({ length: of }, (_, i) => (
        <span key={i} className={`flex-1 border border-on-stand ${i < done ? 'bg-on-stand' : ''}`} />
      ))}
    </span>
  );
}

/** Joins two neighbouring standings in the gap between their ladders: level when the directions are even. */
function Joint({ from, to }: { from: number | null; to: number | null }) {
  if (from === null || to === null) return null;
  const bar = 'absolute bg-act';
  return (
    <span aria-hidden>
      <span className={`${bar} h-1 w-1.5`} style={{ left: -10, top: from - 2 }} />
      <span
        className={`${bar} w-1`}
        style={{ left: -7, top: Math.min(from, to) - 2, height: Math.abs(from - to) + 4 }}
      />
      <span className={`${bar} h-1 w-1.5`} style={{ left: -6, top: to - 2 }} />
    </span>
  );
}

/** What is said beside the rung; a conflict and a move that waits are asked about at the head of the page. */
function whatFailed(error: Error | null): string | null {
  if (error === null || isConflict(error)) return null;
  return isUnreachable(error) ? 'The server cannot be reached. The move waits at the head of the page.' : error.message;
}
