import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { shortName } from '../../app/words';
import { Code } from '../../ui/Code';
import { Notice, Waiting } from '../../ui/Notice';
import { useBoard, useBoardCommand, useLibrary, type BoardLadder, type BoardRung } from '../board/useBoard';
import { Keys } from './Keys';
import { layOut, rowHeight } from './layout';
import { RungPanel } from './RungPanel';

/** The client's ladders side by side on one scale, with the line that joins where the client stands. */
export function Wall() {
  const board = useBoard();
  const library = useLibrary();
  const command = useBoardCommand();
  const ladders = useMemo(() => board.data?.ladders ?? [], [board.data]);
  const layout = useMemo(() => layOut(ladders), [ladders]);
  const [selected, setSelected] = useState<string | null>(null);
  const wall = useRef<HTMLDivElement>(null);

  const fallback = ladders.find((ladder) => ladder.standing !== null && ladder.category === 'AE') ?? ladders[0];
  const selectedId = selected ?? fallback?.standing?.rung ?? fallback?.rungs[0]?.id ?? null;
  const ladder = ladders.find((each) => each.rungs.some((rung) => rung.id === selectedId));
  const rung = ladder?.rungs.find((each) => each.id === selectedId);

  if (board.isPending || library.isPending) return <Waiting what="the wall" />;
  if (library.isError) return <Notice title={library.error.message} />;
  if (ladder === undefined || rung === undefined) return null;

  function choose(id: string) {
    setSelected(id);
    wall.current?.querySelector<HTMLElement>(`[data-rung="${id}"]`)?.focus();
  }

  function move(target: string | null, step = 0) {
    if (target === null || command.isPending) return;
    command.mutate(
      { do: 'move', rung: target, step },
      {
        onSuccess: () => {
          choose(target);
        },
      },
    );
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
    };
    const handler = act[event.key];
    if (handler !== undefined && !event.ctrlKey && !event.metaKey && !event.altKey) {
      event.preventDefault();
      handler();
    }
  }

  const line = ladders.map((each) => (each.standing === null ? null : layout.middle(each.standing.rung)));

  return (
    <div className="grid gap-4 lg:grid-cols-[1fr_22rem]">
      <div>
        <div className="overflow-x-auto pb-1">
          <div
            ref={wall}
            role="group"
            aria-label="Wall of ladders"
            className="relative grid gap-x-3.5"
            style={{ gridTemplateColumns: `1.6rem repeat(${ladders.length}, minmax(8.5rem, 1fr))` }}
          >
            <EvenLine middles={line} height={layout.height} />
            <div />
            {ladders.map((each) => (
              <LadderHead key={each.id} ladder={each} library={library.data} />
            ))}
            <div className="relative" style={{ height: layout.height }} aria-hidden>
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
            {ladders.map((each) => (
              <div key={each.id} className="relative" style={{ height: layout.height }}>
                {layout.bands.map((band) => (
                  <span
                    key={band.level}
                    className="absolute -inset-x-2 border-t border-line"
                    style={{ top: band.top }}
                    aria-hidden
                  />
                ))}
                <Rails ladder={each} layout={layout} />
                {each.rungs.map((one) => (
                  <RungBar
                    key={one.id}
                    ladder={each}
                    rung={one}
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
        <Keys />
      </div>
      <RungPanel
        ladder={ladder}
        rung={rung}
        library={library.data}
        weekTotal={board.data?.week?.total.text ?? null}
        busy={command.isPending}
        error={command.error?.message ?? null}
        onMove={move}
        onShow={choose}
      />
    </div>
  );
}

function LadderHead({
  ladder,
  library,
}: {
  ladder: BoardLadder;
  library: NonNullable<ReturnType<typeof useLibrary>['data']>;
}) {
  const category = library.categories.find((each) => each.code === ladder.category);
  const swap = library.library.ladders.flatMap((each) => each.rungs).find((each) => each.id === ladder.swap);
  return (
    <div className="pb-2 text-center">
      <h2 className="leading-tight font-bold">
        <Code code={ladder.category} {...(category === undefined ? {} : { title: category.name })} /> {ladder.name}
      </h2>
      <p className="text-sm text-faint">
        {ladder.standing === null ? (
          <span className="font-semibold text-warn">
            nothing allowed{swap === undefined ? '' : `; try ${swap.name.toLowerCase()}`}
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
      {['left-2', 'right-2'].map((side) => (
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
  top,
  selected,
  onSelect,
  onKey,
}: {
  ladder: BoardLadder;
  rung: BoardRung;
  top: number;
  selected: boolean;
  onSelect: () => void;
  onKey: (event: KeyboardEvent) => void;
}) {
  const standing = ladder.standing?.rung === rung.id;
  const next = ladder.up === rung.id;
  const blocked = rung.state !== 'open';
  const look = standing
    ? 'bg-stand text-on-stand border-stand font-bold'
    : blocked
      ? 'hatched bg-paper text-faint border-line'
      : next
        ? 'bg-card border-dashed border-act border-2'
        : 'bg-card border-wood';
  const spoken = [
    rung.name,
    `level ${rung.level}`,
    standing ? `stands here, step ${(ladder.standing?.step ?? 0) + 1} of ${rung.steps.length}` : '',
    next ? 'next' : '',
    ...rung.reasons,
  ]
    .filter((part) => part !== '')
    .join(', ');
  return (
    <button
      type="button"
      data-rung={rung.id}
      data-state={rung.state}
      data-standing={standing || undefined}
      aria-label={spoken}
      aria-pressed={selected}
      tabIndex={selected ? 0 : -1}
      onClick={onSelect}
      onFocus={onSelect}
      onKeyDown={onKey}
      className={`absolute inset-x-0 flex flex-col justify-center overflow-hidden rounded-md border px-2 text-left text-[12.5px] leading-[1.08] ${look} ${selected ? 'outline-2 outline-offset-1 outline-act' : ''}`}
      style={{ top, height: rowHeight - 6 }}
    >
      <span className={`flex items-center gap-1 ${blocked ? 'rounded-xs bg-paper' : ''}`}>
        <span className={blocked ? 'truncate' : 'line-clamp-2'}>{shortName(rung.name, ladder.name)}</span>
        {standing && (
          <span className="ml-auto shrink-0 text-[10px] tracking-tight">
            {rung.steps.map((_, i) => (i <= (ladder.standing?.step ?? 0) ? '■' : '□')).join('')}
          </span>
        )}
      </span>
      {blocked && (
        <span className="truncate rounded-xs bg-paper text-[12px] text-warn">
          {rung.state === 'later' ? 'later: ' : '✕ '}
          {rung.labels.join(', ')}
        </span>
      )}
    </button>
  );
}

/** Joins the rungs a client stands on: level when the directions are even. */
function EvenLine({ middles, height }: { middles: (number | null)[]; height: number }) {
  const runs: string[] = [];
  let run: string[] = [];
  middles.forEach((y, i) => {
    if (y === null) {
      if (run.length > 1) runs.push(run.join(' '));
      run = [];
      return;
    }
    run.push(`${i},${y}`, `${i + 1},${y}`);
  });
  if (run.length > 1) runs.push(run.join(' '));
  return (
    <svg
      aria-hidden
      viewBox={`0 0 ${middles.length} ${height}`}
      preserveAspectRatio="none"
      className="pointer-events-none absolute bottom-0"
      style={{ left: '2.03rem', width: 'calc(100% - 1.59rem)', height }}
    >
      {runs.map((points) => (
        <polyline
          key={points}
          points={points}
          fill="none"
          stroke="var(--act)"
          strokeWidth="4"
          strokeLinejoin="round"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}
