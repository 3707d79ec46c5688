import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { clock } from '../../lib/clock';
import { toggled } from '../../ui/Field';
import {
  asPlanned,
  asTheClockSaw,
  finish,
  hasAnything,
  isBrief,
  isSent,
  tell,
  tellBrief,
  tellRest,
  tickAll,
  unanswered,
  type Run,
} from '../../parts/run/run';
import { Scale } from '../../parts/run/Scale';
import { Choice, Kinds, places } from '../../parts/run/answers';
import { drop, useFloor } from '../../parts/run/store';

type Act = (by: (run: Run, at: number) => Run) => void;

/** The end of a session: what was not answered, once for all of it; how hard it was in all; and off the floor. */
export function Finish({ run, act }: { run: Run; act: Act }) {
  const { link } = useFloor();
  const sent = isSent(run);
  const nothing = run.members.every((_, i) => !hasAnything(run, i));
  const off = sent ? 'Off the floor' : link === 'sending' ? 'Sending …' : 'Waits for the server';
  return (
    <div>
      <h3 className="text-2xl font-bold">{run.finished ? 'Finished' : 'The session is over'}</h3>
      <p className="text-lg">
        {clock(run.ranMs / 1000)} on the clock.{' '}
        {nothing
          ? 'Nothing was done and nothing was said: that is no session, and none is kept.'
          : !run.finished && 'Say what is not said yet, then finish.'}
      </p>
      {run.thrown === true && <p className="text-lg">Thrown away. It leaves this device once the server knows.</p>}
      {!nothing &&
        run.thrown !== true &&
        run.plan.members.map((member, i) => <AtTheEnd key={member.client} run={run} member={i} act={act} />)}
      {!run.finished ? (
        <Button
          look="act"
          className="mt-3 min-h-14 w-full text-xl"
          onClick={() => {
            act(finish);
          }}
        >
          Finish
        </Button>
      ) : (
        run.thrown !== true && (
          <>
            {sent && !nothing && (
              <p className="mt-3 flex flex-wrap gap-x-4">
                {run.plan.members.map((member) => (
                  <Link
                    key={member.client}
                    to={`/clients/${member.client}/log`}
                    className="inline-flex min-h-11 items-center text-lg font-semibold underline underline-offset-4"
                  >
                    What follows for {member.name}
                  </Link>
                ))}
              </p>
            )}
            <Button
              className="mt-3 min-h-12 w-full text-lg"
              disabled={!sent}
              title={sent ? undefined : 'The server does not have all of it yet'}
              onClick={() => {
                void drop(run.id);
              }}
            >
              {off}
            </Button>
          </>
        )
      )}
    </div>
  );
}

/** Sets of under three seconds: a tap too many, or a set? */
function Brief({ run, member, act }: { run: Run; member: number; act: Act }) {
  return run.plan.sets.map((set, i) =>
    set.member === member && isBrief(run, i) && (set.twin === null || i < set.twin) ? (
      <p key={i} className="mb-1 flex flex-wrap items-center gap-2">
        {run.plan.rungs[set.rung]?.name}
        {set.side === 'both' || set.twin !== null ? '' : `, ${set.side}`}: under three seconds. Was it a set?
        <Choice
          on={run.brief?.[i] === 'set'}
          onChange={() => {
            act((each) => tellBrief(each, i, 'set'));
          }}
        >
          It was
        </Choice>
        <Choice
          on={run.brief?.[i] === 'none'}
          onChange={() => {
            act((each) => tellBrief(each, i, 'none'));
          }}
        >
          It was none
        </Choice>
      </p>
    ) : null,
  );
}

/** What is asked of one member at the end. */
function AtTheEnd({ run, member, act }: { run: Run; member: number; act: Act }) {
  const own = run.members[member];
  const who = run.plan.members[member];
  const rest = own?.rest ?? {};
  const whole = asTheClockSaw(run, member);
  const open = unanswered(run, member).length;
  const name = run.plan.members.length > 1 ? `, ${who?.name ?? ''}` : '';
  const isRestAsked = open > 0 || own?.rest !== undefined;
  return (
    <section aria-label={`At the end${name}`} className="mt-2 border-t border-line pt-2">
      <Brief run={run} member={member} act={act} />
      {name !== '' && <h4 className="font-bold">{who?.name}</h4>}
      {whole.length > 0 && (
        <Button
          look="act"
          className="min-h-14 w-full text-lg"
          onClick={() => {
            act((each, at) => asPlanned(each, asTheClockSaw(each, member), at));
          }}
        >
          As planned, clean, breathing, easy, no pain: all {whole.length} sets that ran whole
        </Button>
      )}
      {isRestAsked && (
        <div role="group" aria-label={`For the rest${name}`} className="mt-2 rounded-md border border-line p-2">
          <p className="font-semibold">
            {open > 0
              ? `For ${open === 1 ? 'the set' : `all ${open} sets`} not answered yet`
              : 'For all that was not answered'}
          </p>
          <div className="flex flex-wrap gap-1.5">
            <Choice
              on={rest.faults?.length === 0}
              onChange={(on) => {
                const well = on ? { faults: [], breathing: true } : { faults: undefined, breathing: undefined };
                act((each, at) => tellRest(each, member, well, at));
              }}
            >
              Clean, breathing
            </Choice>
            <Choice
              on={false}
              onChange={() => {
                act((each, at) => tickAll(each, member, at));
              }}
            >
              Every tick of every ladder
            </Choice>
          </div>
          <Scale
            label={`Pain${name}`}
            ends={['none', 'worst']}
            warnOver={run.plan.stop.over}
            value={rest.pain}
            onChange={(pain) => {
              act((each, at) => tellRest(each, member, { pain }, at));
            }}
          />
          <Kinds
            pain={rest.pain}
            value={rest.pain_kind}
            onChange={(pain_kind) => {
              act((each, at) => tellRest(each, member, { pain_kind }, at));
            }}
          />
          <Scale
            label={`Effort of each set${name}`}
            ends={['none', 'all there is']}
            value={rest.effort}
            onChange={(effort) => {
              act((each, at) => tellRest(each, member, { effort }, at));
            }}
          />
          <div role="group" aria-label="Felt in" className="mt-1 flex flex-wrap gap-1">
            {places.map(([place, label]) => (
              <Choice
                key={place}
                on={rest.felt?.includes(place) === true}
                onChange={(on) => {
                  act((each, at) => tellRest(each, member, { felt: toggled(rest.felt ?? [], place, on) }, at));
                }}
              >
                Felt {label}
              </Choice>
            ))}
          </div>
        </div>
      )}
      <Scale
        label={`Soreness of the trunk${name}`}
        ends={['none', 'worst']}
        value={own?.soreness}
        onChange={(soreness) => {
          act((each, at) => tell(each, member, { soreness }, at));
        }}
      />
      <Scale
        label={`Effort of the whole session${name}`}
        ends={['none', 'all there is']}
        value={own?.effort}
        onChange={(effort) => {
          act((each, at) => tell(each, member, { effort }, at));
        }}
      />
      {(who?.signs.length ?? 0) > 0 && (
        <div role="group" aria-label={`Signs${name}`} className="mt-2 flex flex-wrap items-center gap-1.5">
          <span className="font-semibold">Signs that were there</span>
          {who?.signs.map((sign) => (
            <Choice
              key={sign.id}
              on={own?.signs?.includes(sign.id) === true}
              onChange={(on) => {
                act((each, at) => tell(each, member, { signs: toggled(own?.signs ?? [], sign.id, on) }, at));
              }}
            >
              {sign.name}
            </Choice>
          ))}
          <Choice
            on={own?.signs?.length === 0}
            onChange={() => {
              act((each, at) => tell(each, member, { signs: [] }, at));
            }}
          >
            None of these
          </Choice>
        </div>
      )}
    </section>
  );
}
