import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { SelectField } from '../../ui/Field';
import { Still } from '../../ui/Figure';
import { useBoard, useLibrary, type BoardLadder } from '../../parts/board/useBoard';
import { useFigures } from '../../parts/rungs/useRungs';
import { Empty } from '../../ui/Empty';

export type Climbed = NonNullable<Schemas['TestDayRequest']['ladders']>;
type Side = 'left' | 'right';

const ticks = ['Ribs down', 'Back still', 'Trunk on', 'Breathing freely', 'No pain', 'With ease'];

/** Climbing ladders rung by rung with the form check until the first miss; training starts on the highest clean rung. */
export function Climb({ climbed, onChange }: { climbed: Climbed; onChange: (climbed: Climbed) => void }) {
  const board = useBoard();
  const [open, setOpen] = useState('');
  const ladders = board.data?.ladders ?? [];
  const ladder = ladders.find((each) => each.id === open);
  const library = useLibrary();
  const faultName = (id: string) =>
    (library.data?.library.faults.find((each) => each.id === id)?.name ?? id).toLowerCase();
  const name = (id: string) => ladders.flatMap((each) => each.rungs).find((each) => each.id === id)?.name ?? id;
  return (
    <section aria-label="Ladders" className="rounded-lg border border-line bg-card p-3">
      <h3 className="font-bold">Ladders, rung by rung</h3>
      <p className="text-[0.9375rem]">
        Go up to the first rung that cannot be done with every tick. One weak link is enough to stop: a set is as good
        as its worst moment.
      </p>
      <SelectField
        label="Ladder"
        className="my-2 max-w-80"
        value={open}
        options={[['', 'choose …'], ...ladders.map((each) => [each.id, `${each.category} ${each.name}`] as const)]}
        onChange={setOpen}
      />
      {ladder !== undefined && (
        <Rungs
          key={ladder.id}
          ladder={ladder}
          onDone={(highest, fault) => {
            const ended = fault === null ? {} : { ended_by: fault };
            onChange({ ...climbed, [ladder.id]: { highest_clean: highest, ...ended } });
            setOpen('');
          }}
        />
      )}
      <ul>
        {Object.entries(climbed).map(([id, result]) => (
          <li key={id} className="border-t border-line py-1">
            <b>{ladders.find((each) => each.id === id)?.name ?? id}:</b>{' '}
            {typeof result.highest_clean === 'string'
              ? `clean up to ${name(result.highest_clean)}`
              : `clean up to ${name(sides(result.highest_clean).left)} left, ${name(sides(result.highest_clean).right)} right`}
            {result.ended_by !== undefined && (
              <span className="text-faint">, ended by {faultName(result.ended_by)}</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function sides(highest: unknown): { left: string; right: string } {
  return highest as { left: string; right: string };
}

function Rungs({
  ladder,
  onDone,
}: {
  ladder: BoardLadder;
  onDone: (highest: Climbed[string]['highest_clean'], fault: string | null) => void;
}) {
  const library = useLibrary();
  const figures = useFigures();
  const open = ladder.rungs.filter((rung) => rung.state === 'open' || rung.state === 'later');
  const standing = open.findIndex((rung) => rung.id === ladder.standing?.rung);
  const [at, setAt] = useState(Math.max(0, standing - 1));
  const [clean, setClean] = useState<Record<Side, string | null>>({ left: null, right: null });
  const [on, setOn] = useState<Record<string, boolean>>({});
  const [fault, setFault] = useState<string | null>(null);
  const rung = open[at];
  const words = library.data?.library.ladders.flatMap((each) => each.rungs).find((each) => each.id === rung?.id);
  if (rung === undefined || words === undefined) {
    return <Empty>Nothing on this ladder is allowed to be tested for this client.</Empty>;
  }
  const here = rung;
  const perSide = words.side !== 'both';
  const checks = perSide ? (['left', 'right'] as const) : (['both'] as const);
  const isClean = (side: string) => ticks.every((tick) => on[`${side} ${tick}`] === true);
  const faultNames = new Map(library.data?.library.faults.map((each) => [each.id, each.name]));

  function finish(next: Record<Side, string | null>) {
    if (next.left === null || next.right === null) return;
    onDone(next.left === next.right ? next.left : { left: next.left, right: next.right }, fault);
  }

  function judge() {
    const now = {
      left: isClean(perSide ? 'left' : 'both') ? here.id : clean.left,
      right: isClean(perSide ? 'right' : 'both') ? here.id : clean.right,
    };
    setClean(now);
    setOn({});
    const both = checks.every(isClean);
    if (both && at < open.length - 1) setAt(at + 1);
    else finish(now);
    setFault(null);
  }

  const canStop = checks.every((side) => isClean(side) || (side === 'right' ? clean.right : clean.left) !== null);
  return (
    <div className="rounded-md border border-line p-3">
      <SelectField
        label="Rung"
        className="mb-2 max-w-96"
        value={rung.id}
        options={open.map((each) => [each.id, `${each.level}. ${each.name}`] as const)}
        onChange={(id) => {
          setAt(open.findIndex((each) => each.id === id));
          setOn({});
          setFault(null);
        }}
      />
      <div className="flex gap-3">
        <Still drawing={figures[rung.id]} className="h-24 w-26 shrink-0" />
        <div>
          <p className="text-lg leading-tight font-bold">{rung.name}</p>
          <p className="text-[0.9375rem]">
            Level {rung.level}, {rung.steps[0]}. Look: {words.watch}
          </p>
        </div>
      </div>
      {checks.map((side) => (
        <fieldset key={side} className="mt-2">
          <legend className="font-semibold">
            {side === 'both' ? 'Form check' : side === 'left' ? 'Left side' : 'Right side'}
          </legend>
          <div className="flex flex-wrap gap-1">
            {ticks.map((tick) => (
              <button
                key={tick}
                type="button"
                aria-pressed={on[`${side} ${tick}`] === true}
                aria-label={side === 'both' ? tick : `${tick}, ${side}`}
                onClick={() => {
                  setOn({ ...on, [`${side} ${tick}`]: on[`${side} ${tick}`] !== true });
                }}
                className={`min-h-10 rounded-md border px-3 text-[0.9375rem] ${on[`${side} ${tick}`] === true ? 'border-stand bg-stand font-bold text-on-stand' : 'border-line hover:border-ink'}`}
              >
                {tick}
              </button>
            ))}
            <button
              type="button"
              aria-label={side === 'both' ? 'All ticks' : `All ticks, ${side}`}
              onClick={() => {
                setOn({ ...on, ...Object.fromEntries(ticks.map((tick) => [`${side} ${tick}`, true])) });
              }}
              className="min-h-10 px-2 text-[0.9375rem] underline"
            >
              all
            </button>
          </div>
        </fieldset>
      ))}
      {!checks.every(isClean) && (
        <fieldset className="mt-2">
          <legend className="text-[0.9375rem] text-faint">
            What was seen; say the cue once before you call it a miss
          </legend>
          <div className="flex flex-wrap gap-1">
            {words.faults.map((id) => (
              <button
                key={id}
                type="button"
                aria-pressed={fault === id}
                onClick={() => {
                  setFault(id);
                }}
                className={`min-h-9 rounded-md border px-2 text-[0.9375rem] ${fault === id ? 'border-act bg-act text-on-act' : 'border-line hover:border-ink'}`}
              >
                {faultNames.get(id) ?? id}
              </button>
            ))}
          </div>
          {fault !== null && <p className="mt-1 font-semibold">{words.cues.find((cue) => cue.fault === fault)?.say}</p>}
        </fieldset>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        {!checks.every(isClean) && (
          <Button
            onClick={() => {
              const all = checks.flatMap((side) => ticks.map((tick) => [`${side} ${tick}`, true] as const));
              setOn(Object.fromEntries(all));
            }}
          >
            All of them{perSide && ', both sides'}
          </Button>
        )}
        <Button look="act" disabled={!checks.every(isClean) && !canStop} onClick={judge}>
          {checks.every(isClean) ? (at < open.length - 1 ? 'Clean: next rung' : 'Clean: the top') : 'A miss: stop here'}
        </Button>
        {at > 0 && (
          <Button
            onClick={() => {
              setAt(at - 1);
              setOn({});
              setFault(null);
            }}
          >
            One down
          </Button>
        )}
      </div>
      {!canStop && !checks.every(isClean) && (
        <p className="mt-1 text-sm text-faint">
          A miss counts once a rung below was clean{perSide ? ' on both sides' : ''}; go down to find it.
        </p>
      )}
    </div>
  );
}
