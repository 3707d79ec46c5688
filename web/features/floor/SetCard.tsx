import { Choice, Kinds, places } from '../../parts/run/answers';
import { Check, Minus, Pin, Plus } from 'lucide-react';
import { memo, useState } from 'react';
import type { Schemas } from '../../api/client';
import { amount, numberIn, unitOf } from '../../lib/units';
import { AmountInput } from '../../ui/AmountInput';
import { BandDot } from '../../ui/BandDot';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { toggled } from '../../ui/Field';
import { sideNames } from '../../parts/run/words';
import {
  asPlanned,
  asTheClockSaw,
  doneOf,
  isBehind,
  isTold,
  pairOf,
  report,
  takeApart,
  tell,
  tick,
  toldOf,
  type Report,
  type Run,
} from '../../parts/run/run';
import { LineCheckButton, RangeButton } from '../../parts/line/LineCheckButton';
import { Scale } from '../../parts/run/Scale';

type Act = (by: (run: Run, at: number) => Run) => void;

/** The set of a member that was worked at last. */
export function latestSet(run: Run, member: number): number | null {
  let latest: number | null = null;
  run.plan.sets.forEach((set, i) => {
    if (set.member === member && isBehind(run, i)) latest = pairOf(run, i)[0] ?? i;
  });
  return latest;
}

/** A set that is looked at instead of the newest: until the next one ends, or as long as it is held. */
interface Picked {
  set: number;
  latest: number | null;
  pinned: boolean;
}

/** What was really done, set by set: one tap an answer, the newest set first. */
export const SetCard = memo(function SetCard({ run, act }: { run: Run; act: Act }) {
  const [member, setMember] = useState(0);
  const [picked, setPicked] = useState<Picked | null>(null);
  const behind = run.plan.sets.flatMap((set, i) =>
    set.member === member && isBehind(run, i) && pairOf(run, i)[0] === i ? [i] : [],
  );
  const latest = latestSet(run, member);
  // the card follows the set that just ended, unless it is held where it is
  const isHere = picked !== null && run.plan.sets[picked.set]?.member === member;
  const open = isHere && (picked.pinned || picked.latest === latest) ? picked.set : latest;
  const pinned = isHere && picked.pinned;
  return (
    <div>
      {run.plan.members.length > 1 && (
        <div role="group" aria-label="Whose sets" className="mb-2 flex flex-wrap gap-1">
          {run.plan.members.map((each, i) => (
            <button
              key={each.client}
              type="button"
              aria-pressed={i === member}
              className={`min-h-10 rounded-md border px-3 font-semibold ${i === member ? 'border-stand bg-stand text-on-stand' : 'border-line'}`}
              onClick={() => {
                setMember(i);
                setPicked(null);
              }}
            >
              {each.name}
            </button>
          ))}
        </div>
      )}
      {open === null ? (
        <Before run={run} member={member} act={act} />
      ) : (
        <>
          <div
            role="group"
            aria-label="Sets so far"
            className="mb-1 flex gap-1 overflow-x-auto whitespace-nowrap sm:mb-2 sm:flex-wrap sm:overflow-visible"
          >
            {behind.map((i) => (
              <button
                key={i}
                type="button"
                aria-pressed={i === open}
                aria-label={`${run.plan.rungs[run.plan.sets[i]?.rung ?? '']?.name ?? ''}, ${sideNames[run.plan.sets[i]?.side ?? 'both']}, ${doneOf(run, i)}`}
                onClick={() => {
                  setPicked(i === latest ? null : { set: i, latest, pinned: false });
                }}
                className={`flex min-h-9 items-center gap-1 rounded border px-1.5 text-sm font-semibold ${i === open ? 'border-stand bg-stand text-on-stand' : isTold(toldOf(run, i)) ? 'border-line' : 'border-dashed border-ink'}`}
              >
                {run.plan.sets[i]?.category}
                {sideOf(run, i)} {doneOf(run, i)}
                {isTold(toldOf(run, i)) && <Check size={14} aria-label="told" />}
              </button>
            ))}
            {open !== latest && (
              <Button
                aria-pressed={pinned}
                className={`min-h-9 ${pinned ? 'border-stand bg-stand text-on-stand' : ''}`}
                onClick={() => {
                  setPicked(pinned ? null : { set: open, latest, pinned: true });
                }}
              >
                <Pin size={16} aria-hidden /> {pinned ? 'Held here: let go' : 'Hold here'}
              </Button>
            )}
          </div>
          <Ticks run={run} i={open} act={act} />
          <Told key={open} run={run} i={open} act={act} />
        </>
      )}
    </div>
  );
});

/** Asked before the first set. */
function Before({ run, member, act }: { run: Run; member: number; act: Act }) {
  const own = run.members[member];
  const said = {
    ...run.plan.members[member]?.said,
    ...(own?.atDoor === true ? { soreness: own.soreness, pain_before: own.pain_before } : {}),
  };
  const rung = run.plan.rungs[run.plan.sets.find((set) => set.member === member)?.rung ?? ''];
  return (
    <div>
      <h3 className="text-lg font-bold">Before the first set</h3>
      {said.soreness !== undefined || said.pain_before !== undefined ? (
        <p>
          Said today:{' '}
          {[
            said.soreness === undefined ? null : `soreness ${said.soreness}`,
            said.pain_before === undefined ? null : `pain ${said.pain_before}`,
          ]
            .filter((each) => each !== null)
            .join(', ')}
          .
        </p>
      ) : null}
      {said.soreness === undefined && (
        <Scale
          label="Soreness of the trunk"
          ends={['none', 'worst']}
          value={own?.soreness}
          onChange={(soreness) => {
            act((each, at) => tell(each, member, { soreness }, at));
          }}
        />
      )}
      {said.pain_before === undefined && (
        <>
          <Scale
            label="Pain now"
            ends={['none', 'worst']}
            warnOver={run.plan.stop.over}
            value={own?.pain_before}
            onChange={(pain) => {
              act((each, at) => tell(each, member, { pain_before: pain }, at));
            }}
          />
          <Kinds
            pain={own?.pain_before}
            value={own?.pain_kind}
            onChange={(pain_kind) => {
              act((each, at) => tell(each, member, { pain_kind }, at));
            }}
          />
        </>
      )}
      {run.plan.members[member]?.readiness === true && (
        <Scale
          label="How ready the client feels"
          ends={['not at all', 'fully']}
          value={own?.readiness}
          onChange={(readiness) => {
            act((each, at) => tell(each, member, { readiness }, at));
          }}
        />
      )}
      {rung !== undefined && (
        <div className="mt-3 rounded-md border border-line p-3">
          <p className="font-bold">{rung.name}</p>
          <ul className="list-disc pl-5">
            {[...rung.setup, ...(rung.words ?? [])].map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          <p className="mt-1">
            <b>Look at:</b> {rung.watch}
          </p>
        </div>
      )}
    </div>
  );
}

function Told({ run, i, act }: { run: Run; i: number; act: Act }) {
  const [all, setAll] = useState(false);
  const set = run.plan.sets[i];
  const told = toldOf(run, i);
  const rung = set === undefined ? undefined : run.plan.rungs[set.rung];
  if (set === undefined || rung === undefined) return null;
  const put = (more: Partial<Report>) => {
    act((each, at) => report(each, i, more, at));
  };
  const done = doneOf(run, i);
  const ofExercise = asTheClockSaw(run, set.member).filter((each) => run.plan.sets[each]?.rung === set.rung);
  const step = set.unit === 's' ? 5 : 1;
  const before = previous(run, i);
  const isClean = told.faults?.length === 0 && (told.cued ?? []).length === 0;
  const own = new Set(rung.faults.map((fault) => fault.id));
  const others = run.plan.all_faults.filter((fault) => !own.has(fault.id));
  const isSeen = (fault: { id: string }) =>
    told.faults?.includes(fault.id) === true || told.cued?.includes(fault.id) === true;
  const shown = [...rung.faults, ...others].filter(isSeen);
  const faultButton = (fault: { id: string; name: string }) => {
    const on = isSeen(fault);
    return (
      <Button
        key={fault.id}
        aria-pressed={on}
        className={`min-h-11 ${on ? 'border-warn bg-warn-soft text-warn' : ''}`}
        onClick={() => {
          put({
            faults: toggled(told.faults ?? [], fault.id, !on),
            cued: (told.cued ?? []).filter((each) => each !== fault.id),
            ...(fault.id === 'breath-held' ? { breathing: on } : {}),
          });
        }}
      >
        {fault.name}
      </Button>
    );
  };
  return (
    <div data-set={i}>
      <h3 className="flex flex-wrap items-baseline gap-x-2 text-lg font-bold">
        <Code code={set.category} /> {rung.name}
        <span className="text-faint">
          {pairOf(run, i).length > 1 ? 'Both sides' : set.side === 'both' ? '' : sideNames[set.side]}
        </span>
        {set.twin !== null && (
          <Button
            className="ml-auto min-h-9 text-sm font-normal"
            onClick={() => {
              act((each) => takeApart(each, i));
            }}
          >
            {pairOf(run, i).length > 1 ? 'Left and right differ' : 'Both at once'}
          </Button>
        )}
      </h3>
      <div
        role="group"
        aria-label="All well"
        className="mt-1 flex gap-1.5 overflow-x-auto whitespace-nowrap sm:flex-wrap sm:overflow-visible"
      >
        <Button
          className="min-h-12 border-2 border-stand"
          onClick={() => {
            act((each, at) => asPlanned(each, pairOf(each, i), at));
          }}
        >
          As planned, clean, easy, no pain
        </Button>
        {ofExercise.length > 1 && (
          <Button
            className="min-h-12"
            onClick={() => {
              act((each, at) => asPlanned(each, ofExercise, at));
            }}
          >
            The same for its {ofExercise.length} sets so far
          </Button>
        )}
      </div>
      <div className="mt-1 flex items-center gap-2">
        <span className="font-semibold">Done</span>
        <Button
          aria-label="Less"
          className="size-12"
          onClick={() => {
            put({ done: Math.max(0, Math.floor(done - (Number.isInteger(done) ? step : 0))) });
          }}
        >
          <Minus size={20} aria-hidden />
        </Button>
        <b className="min-w-16 text-center text-3xl" data-done>
          {numberIn(set.unit, done)}
        </b>
        <Button
          aria-label="More"
          className="size-12"
          onClick={() => {
            put({ done: Math.floor(done) + step });
          }}
        >
          <Plus size={20} aria-hidden />
        </Button>
        <span className={done < set.target ? 'font-semibold text-warn' : 'text-faint'}>
          of {amount(set.unit, set.target)}
          {rangeText(set.asked)}
        </span>
        {before !== null && told.pain === undefined && told.effort === undefined && (
          <Button
            className="ml-auto min-h-12"
            onClick={() => {
              const { faults, breathing, pain, pain_kind, effort } = run.reports[before] ?? {};
              put({
                faults: told.faults ?? faults,
                breathing: told.breathing ?? breathing,
                pain,
                pain_kind,
                effort,
              });
            }}
          >
            Same as before
          </Button>
        )}
      </div>
      <div
        role="group"
        aria-label="Form"
        className="mt-2 flex gap-1.5 overflow-x-auto whitespace-nowrap sm:flex-wrap sm:overflow-visible"
      >
        <Button
          look={isClean ? 'act' : 'plain'}
          aria-pressed={isClean}
          className="min-h-11"
          onClick={() => {
            put({ faults: [], cued: [], breathing: true });
          }}
        >
          Clean, breathing
        </Button>
        {rung.faults.map(faultButton)}
        {all ? (
          others.map(faultButton)
        ) : (
          <Button
            className="min-h-11"
            onClick={() => {
              setAll(true);
            }}
          >
            Another …
          </Button>
        )}
        <LineCheckButton
          name={rung.name}
          rung={set.rung}
          client={clientOf(run, set.member)}
          className="min-h-11"
          onTick={(fault, on) => {
            put({ faults: toggled(told.faults ?? [], fault, on) });
          }}
        />
      </div>
      {told.seen_by !== undefined && <p className="mt-1 text-faint">Ended by what the {told.seen_by} saw.</p>}
      {shown.map((fault) => {
        const cured = told.cued?.includes(fault.id) === true;
        return (
          <p
            key={fault.id}
            className="mt-1.5 flex flex-wrap items-center gap-2 rounded-md bg-warn-soft px-3 py-1 text-lg"
          >
            <span className="flex-1">
              Say: <b>{fault.cue}</b>
            </span>
            {told.ended_by !== fault.id && (
              <Button
                look={cured ? 'act' : 'plain'}
                aria-pressed={cured}
                onClick={() => {
                  put({
                    faults: toggled(told.faults ?? [], fault.id, cured),
                    cued: toggled(told.cued ?? [], fault.id, !cured),
                  });
                }}
              >
                The cue cured it
              </Button>
            )}
          </p>
        );
      })}
      <Scale
        label="Pain"
        ends={['none', 'worst']}
        warnOver={run.plan.stop.over}
        value={told.pain}
        onChange={(pain) => {
          put({ pain });
        }}
      />
      <Kinds
        pain={told.pain}
        value={told.pain_kind}
        onChange={(pain_kind) => {
          put({ pain_kind });
        }}
      />
      <Scale
        label="Effort"
        ends={['none', 'all there is']}
        value={told.effort}
        onChange={(effort) => {
          put({ effort });
        }}
      />
      <details className="mt-2" open={set.last_load_kg !== null || set.load_kg !== null || set.banded}>
        <summary className="min-h-10 cursor-pointer py-2 font-semibold">Felt, talk, shaking, range, load</summary>
        <div role="group" aria-label="Felt in" className="flex flex-wrap gap-1">
          {places.map(([place, label]) => (
            <Choice
              key={place}
              on={told.felt?.includes(place) === true}
              onChange={(on) => {
                put({ felt: toggled(told.felt ?? [], place, on) });
              }}
            >
              Felt {label}
            </Choice>
          ))}
        </div>
        <div className="mt-1 flex flex-wrap gap-1">
          <Choice
            on={told.talked === true}
            onChange={(talked) => {
              put({ talked });
            }}
          >
            Could talk
          </Choice>
          <Choice
            on={told.talked === false}
            onChange={(on) => {
              put({ talked: !on });
            }}
          >
            Could not talk
          </Choice>
          <Choice
            on={told.shaking === true}
            onChange={(shaking) => {
              put({ shaking });
            }}
          >
            Shaking
          </Choice>
        </div>
        {rung.range === 'share' && (
          <div role="group" aria-label="Range" className="mt-1 flex flex-wrap gap-1">
            {[1, 0.75, 0.5, 0.25].map((range) => (
              <Choice
                key={range}
                on={(told.range ?? set.asked.target_range ?? 1) === range}
                onChange={() => {
                  put({ range });
                }}
              >
                {range === 1 ? 'Full range' : `${range * 100} % of the range`}
              </Choice>
            ))}
          </div>
        )}
        {rung.range === 'cm' && (
          <div className="mt-1 flex flex-wrap items-center gap-2">
            <label className="flex items-center gap-2">
              Range ({unitOf('cm')})
              <AmountInput
                unit="cm"
                most={300}
                asked={set.asked.target_range_cm}
                value={told.range_cm ?? set.asked.target_range_cm}
                onChange={(range_cm) => {
                  put({ range_cm });
                }}
              />
            </label>
            <RangeButton
              name={rung.name}
              onMeasured={(range_cm) => {
                put({ range_cm });
              }}
            />
          </div>
        )}
        {set.banded && (
          <div role="group" aria-label="Band" className="mt-1 flex flex-wrap items-center gap-1">
            Band
            {run.plan.bands.map((band) => (
              <Choice
                key={band.name}
                on={told.band === band.name}
                onChange={(on) => {
                  put({ band: on ? band.name : undefined });
                }}
              >
                <BandDot band={band} /> {band.name}
                {set.last_band === band.name && ', as last time'}
              </Choice>
            ))}
            {run.plan.bands.length === 0 && <span className="text-faint">The studio’s page has no bands listed.</span>}
          </div>
        )}
        {isCut(told, set.asked) && <p className="text-faint">{rung.less_range}</p>}
        <label className="mt-1 flex flex-wrap items-center gap-2">
          Load ({unitOf('kg')})
          <AmountInput
            unit="kg"
            most={500}
            asked={set.load_kg ?? undefined}
            value={told.load_kg ?? set.load_kg ?? undefined}
            onChange={(load_kg) => {
              put({ load_kg });
            }}
          />
          {set.last_load_kg !== null && told.load_kg !== set.last_load_kg && (
            <Button
              onClick={() => {
                put({ load_kg: set.last_load_kg ?? undefined });
              }}
            >
              As last time: {amount('kg', set.last_load_kg)}
            </Button>
          )}
        </label>
      </details>
    </div>
  );
}

function clientOf(run: Run, member: number): { id: string; name: string } | undefined {
  const found = run.plan.members[member];
  return found === undefined ? undefined : { id: found.client, name: found.name };
}

/** Which sides of a set are answered together, in a letter each. */
function sideOf(run: Run, i: number): string {
  if (pairOf(run, i).length > 1) return ' L R';
  return { left: ' L', right: ' R', both: '' }[run.plan.sets[i]?.side ?? 'both'];
}

/** The range a set is asked for, where it is not the full one. */
function rangeText({ target_range, target_range_cm }: Schemas['Asked']): string {
  if (target_range_cm !== undefined) return `, ${amount('cm', target_range_cm)}`;
  return target_range === undefined || target_range === 1 ? '' : `, ${target_range * 100} % of the range`;
}

function isCut(told: Report, asked: Schemas['Asked']): boolean {
  return (told.range ?? asked.target_range ?? 1) < 1 || (told.range_cm ?? Infinity) < (asked.target_range_cm ?? 0);
}

/** The told set of the same member before this one. */
function previous(run: Run, i: number): number | null {
  for (let k = i - 1; k >= 0; k--)
    if (run.plan.sets[k]?.member === run.plan.sets[i]?.member && isTold(toldOf(run, k))) return k;
  return null;
}

/** After the last set of a ladder: what must all be so to move up. */
function Ticks({ run, i, act }: { run: Run; i: number; act: Act }) {
  const set = run.plan.sets[i];
  if (set?.last_of_ladder !== true) return null;
  const ticks = run.members[set.member]?.ticks[set.ladder] ?? [];
  return (
    <div role="group" aria-label="Ticks to move up" className="mb-3 rounded-md border-2 border-stand p-2">
      <p className="font-semibold">
        To move up on {run.plan.ladders[set.ladder]}: all with ease{' '}
        <span className="font-normal text-faint">what is not ticked keeps the rung</span>
        <Button
          className="ml-2 min-h-9"
          onClick={() => {
            const all = run.plan.ticks.map(({ id }) => id);
            act((each, at) => tick(each, set.member, set.ladder, all, at));
          }}
        >
          All five
        </Button>
      </p>
      <div className="mt-1 grid grid-cols-2 gap-1 sm:grid-cols-5">
        {run.plan.ticks.map(({ id, name }) => {
          const on = ticks.includes(id);
          return (
            <button
              key={id}
              type="button"
              aria-pressed={on}
              className={`min-h-12 rounded border px-1 text-sm leading-tight font-semibold ${on ? 'border-stand bg-stand text-on-stand' : 'border-line'}`}
              onClick={() => {
                act((each, at) => tick(each, set.member, set.ladder, toggled(ticks, id, !on), at));
              }}
            >
              {on && '✓ '}
              {name}
            </button>
          );
        })}
      </div>
    </div>
  );
}
