import { useMutation } from '@tanstack/react-query';
import { ApiError, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { useKept } from '../../lib/useKept';
import { useBoard, useClientId, useLibrary } from '../../parts/board/useBoard';
import { Exercise } from './Exercise';
import { asPlanned, bodyOf, isLast, type Group, type LogBody, type Row, type Start } from './rows';
import { useLogChange } from '../../parts/log/useLogChange';

/** The faults that are looked for on a rung, then all others. */
function ownFirst<T>(own: readonly T[], all: readonly T[]): T[] {
  return [...new Set([...own, ...all])];
}

/** Where another log of the session says something else; null where nothing of that kind went wrong. */
function differencesOf(error: Error | null): string[] | null {
  const current = error instanceof ApiError ? error.problem.current : undefined;
  return current !== undefined && 'differences' in current ? (current.differences ?? null) : null;
}

/** A session as it stood on paper: one row a set and side, filled by keyboard. What stays empty was not recorded. */
export function Grid({
  start,
  label,
  easy,
  asks,
  kept,
  submit,
}: {
  start: Start;
  /** the effort that "easy" stands for */
  easy: number;
  /** what must all be so to move up on a ladder */
  asks: readonly Schemas['Tick'][];
  /** under what name it stays on the device until it is saved or thrown away */
  kept: string;
  label: string;
  submit: (body: LogBody) => Promise<unknown>;
}) {
  const library = useLibrary();
  const client = { id: useClientId(), name: useBoard().data?.client.name ?? '' };
  const refresh = useLogChange();
  const signature = JSON.stringify(
    start.groups.map((group) => [group.name, group.rows.map(({ rung, side, target }) => [rung, side, target])]),
  );
  const [grid, setGrid, drop, isTyped] = useKept(kept, start, signature);
  const { groups } = grid;
  const faultNames = new Map(library.data?.library.faults.map((fault) => [fault.id, fault.name]));
  const rungs = new Map(library.data?.library.ladders.flatMap((each) => each.rungs).map((rung) => [rung.id, rung]));
  const save = useMutation({
    mutationFn: (over: boolean) => submit({ ...bodyOf(grid), ...(over ? { over } : {}) }),
    onSuccess: drop,
    onSettled: refresh,
  });
  const differences = differencesOf(save.error);
  const setGroups = (next: Group[]) => {
    setGrid({ ...grid, groups: next });
  };
  const wide = (name: Exclude<keyof Start, 'groups' | 'on' | 'ticks'>, text: string, unit: string, width: string) => (
    <TextField
      label={text}
      unit={unit}
      type="number"
      value={grid[name]}
      className={width}
      onChange={(value) => {
        setGrid({ ...grid, [name]: value });
      }}
    />
  );

  function change(g: number, r: number, part: Partial<Row>) {
    setGroups(
      groups.map((group, i) =>
        i === g ? { ...group, rows: group.rows.map((row, k) => (k === r ? { ...row, ...part } : row)) } : group,
      ),
    );
  }

  function changeAll(g: number, part: Partial<Row>) {
    setGroups(
      groups.map((group, i) => (i === g ? { ...group, rows: group.rows.map((row) => ({ ...row, ...part })) } : group)),
    );
  }

  function fill(g?: number) {
    setGrid(asPlanned(grid, easy, asks, g));
  }

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(false);
      }}
    >
      <div className="mb-3 flex flex-wrap gap-3">
        <TextField
          label="Done on"
          type="date"
          value={grid.on}
          className="w-44"
          onChange={(on) => {
            setGrid({ ...grid, on });
          }}
        />
        {wide('effort', 'Session effort', '0–10', 'w-40')}
        {wide('minutes', 'Lasted', 'min', 'w-32')}
        {groups.length > 1 && (
          <Button
            look="act"
            className="min-h-11 self-end"
            title="As planned, clean, breathing, easy, no pain"
            onClick={() => {
              fill();
            }}
          >
            The whole session as planned
          </Button>
        )}
      </div>
      <details
        className="mb-3"
        open={[grid.soreness, grid.pain_before, grid.pain_next_day].some((each) => each !== '')}
      >
        <summary className="min-h-8 cursor-pointer text-faint">How they came, and the day after</summary>
        <div className="flex flex-wrap gap-3">
          {wide('soreness', 'Soreness', '0–10', 'w-32')}
          {wide('pain_before', 'Pain before', '0–10', 'w-36')}
          {wide('pain_next_day', 'Pain the day after', '0–10', 'w-48')}
        </div>
      </details>
      {groups.map((group, g) => {
        const first = group.rows[0];
        const faults = ownFirst(rungs.get(first?.rung ?? '')?.faults ?? [], [...faultNames.keys()]).map(
          (fault) => [fault, faultNames.get(fault) ?? fault] as const,
        );
        return (
          <Exercise
            key={g}
            client={client}
            group={group}
            faults={faults}
            asks={isLast(groups, g) ? asks : null}
            ticked={grid.ticks[group.ladder]}
            onTicks={(ticked) => {
              setGrid({ ...grid, ticks: { ...grid.ticks, [group.ladder]: ticked } });
            }}
            onAll={(part) => {
              changeAll(g, part);
            }}
            onSet={(r, part) => {
              change(g, r, part);
            }}
            onPlanned={() => {
              fill(g);
            }}
          />
        );
      })}
      {differences === null ? (
        <p role="alert" className="font-semibold text-warn empty:hidden">
          {save.error?.message}
        </p>
      ) : (
        <div role="alert" className="mb-2 rounded-md border-2 border-warn bg-warn-soft p-3">
          <p className="font-semibold">Another log of this session of that day is there and says something else:</p>
          <ul className="list-disc pl-5">
            {differences.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
          <div className="mt-1 flex gap-2">
            <Button
              disabled={save.isPending}
              onClick={() => {
                save.mutate(true);
              }}
            >
              This one counts
            </Button>
            <Button
              onClick={() => {
                save.reset();
              }}
            >
              Look at both again
            </Button>
          </div>
        </div>
      )}
      <Button
        look="act"
        type="submit"
        disabled={save.isPending || !groups.some((group) => group.rows.some((row) => row.done !== ''))}
      >
        {save.isPending ? 'Saving …' : label}
      </Button>
      {isTyped && (
        <Button look="quiet" disabled={save.isPending} onClick={drop}>
          Throw away what was typed
        </Button>
      )}
      <span className="ml-3 text-sm text-faint">
        What stays empty was not recorded, and never counts as good. Rows without “done” are left out.
      </span>
    </form>
  );
}
