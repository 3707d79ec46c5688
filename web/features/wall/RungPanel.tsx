import { ArrowDown, ArrowUp, Signpost } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { Notice } from '../../ui/Notice';
import { Still } from '../../ui/Figure';
import { Why } from '../../ui/Why';
import { useFigures } from '../../parts/rungs/useRungs';
import { useNarrow } from './groups';
import { useClientId, type BoardLadder, type BoardRung, type useLibrary } from '../../parts/board/useBoard';
import { WhyNotDialog } from '../../parts/whynot/WhyNotDialog';
import { useMinutesOn } from './queries';

interface Props {
  ladder: BoardLadder;
  rung: BoardRung;
  library: NonNullable<ReturnType<typeof useLibrary>['data']>;
  weekTotal: string | null;
  busy: boolean;
  error: string | null;
  note: string;
  onNote: (note: string) => void;
  limits: { id: string; name: string; caution: string }[];
  /** the house style, and how it coaches this rung */
  style: string;
  said: string[];
  onMove: (rung: string, step?: number) => void;
  onShow: (rung: string) => void;
}

/** The coach's card of one rung, and what standing on it does to the week. */
export function RungPanel({
  ladder,
  rung,
  library,
  weekTotal,
  busy,
  error,
  note,
  onNote,
  limits,
  style,
  said,
  onMove,
  onShow,
}: Props) {
  const client = useClientId();
  const words = library.library.ladders
    .find((each) => each.id === ladder.id)
    ?.rungs.find((each) => each.id === rung.id);
  const faultNames = new Map(library.library.faults.map((fault) => [fault.id, fault.name]));
  const kitNames = new Map(library.library.equipment.map((kit) => [kit.id, kit.name.toLowerCase()]));
  const standing = ladder.standing?.rung === rung.id;
  const figures = useFigures();
  const name = (id: string) => ladder.rungs.find((each) => each.id === id)?.name ?? id;
  const narrow = useNarrow();
  const [unfolded, setUnfolded] = useState(false);
  if (words === undefined) return null;
  const folded = narrow && !unfolded;

  return (
    <aside
      aria-label="Rung"
      className="sticky bottom-0 z-20 lg:z-auto max-h-[60vh] [@media(max-height:32rem)]:static [@media(max-height:32rem)]:max-h-none self-start overflow-y-auto rounded-lg border border-line bg-card p-3 shadow-lg lg:p-4 lg:top-[calc(var(--band)+0.75rem)] lg:bottom-auto lg:shadow-none lg:max-h-[calc(100vh-var(--band)-1.5rem)]"
    >
      {narrow && (
        <Button
          look="quiet"
          className="float-right"
          aria-expanded={!folded}
          onClick={() => {
            setUnfolded(folded);
          }}
        >
          {folded ? 'Card' : 'Fold'}
        </Button>
      )}
      {!narrow && <Still drawing={figures[rung.id]} className="float-right ml-2 h-20 w-22" />}
      <h2 className="text-xl leading-tight font-bold">
        <Link to={`/library/${rung.id}?client=${client}`} className="underline-offset-4 hover:underline">
          {rung.name}
        </Link>
      </h2>
      {!folded && (
        <p className="mb-2 text-faint">
          <Code code={ladder.category} /> level {rung.level}, {words.position.replace('-', ' ')}
          {words.equipment.length > 0 && `, needs ${words.equipment.map((kit) => kitNames.get(kit) ?? kit).join(', ')}`}
        </p>
      )}

      {rung.reasons.length > 0 && (
        <div className="mb-3">
          <Notice title={rung.state === 'later' ? 'Not yet' : 'Barred'}>
            <ul>
              {rung.reasons.map((reason) => (
                <li key={reason}>This rung {reason}.</li>
              ))}
            </ul>
          </Notice>
        </div>
      )}

      {standing && ladder.standing?.last_load != null && (
        <p className="text-[0.9375rem]" data-last-load>
          Load: {ladder.standing.last_load}
        </p>
      )}
      {standing ? (
        <div className="mb-3">
          <p className="mb-2 flex items-center font-semibold">
            Stands here
            <Why about={rung.name} reasons={ladder.why} />
          </p>
          <div className="grid grid-cols-2 gap-2">
            <Button
              look="act"
              disabled={busy || ladder.up === null}
              onClick={() => {
                if (ladder.up !== null) onMove(ladder.up);
              }}
            >
              <ArrowUp size={18} aria-hidden /> One up
            </Button>
            <Button
              disabled={busy || ladder.down === null}
              onClick={() => {
                if (ladder.down !== null) onMove(ladder.down);
              }}
            >
              <ArrowDown size={18} aria-hidden /> One down
            </Button>
          </div>
          <p className={folded ? 'sr-only' : 'mt-1 text-sm text-faint'}>
            {ladder.up === null ? 'Nothing allowed above.' : `Up: ${name(ladder.up)}.`}{' '}
            {ladder.down === null ? 'Nothing allowed below.' : `Down: ${name(ladder.down)}.`}
          </p>
        </div>
      ) : (
        <div className="mb-3 grid grid-cols-2 gap-2">
          <Button
            look="act"
            disabled={busy || rung.state !== 'open'}
            onClick={() => {
              onMove(rung.id);
            }}
          >
            Stand here
          </Button>
          <Button
            disabled={ladder.standing === null}
            onClick={() => {
              if (ladder.standing !== null) onShow(ladder.standing.rung);
            }}
          >
            Show standing
          </Button>
        </div>
      )}
      {!standing && (
        <p className="-mt-1 mb-3">
          <Link
            to={`../road/${rung.id}`}
            className="inline-flex min-h-8 items-center gap-1 font-semibold underline underline-offset-4"
          >
            <Signpost size={16} aria-hidden /> The road to it
          </Link>{' '}
          <WhyNotDialog key={rung.id} rung={rung.id} label="Why is it not in the plan?" />
        </p>
      )}
      {limits
        .filter((limit) => (rung.cautions as string[]).includes(limit.id))
        .map((limit) => (
          <p key={limit.id} className="mb-2 rounded-md border-l-4 border-wood bg-paper px-3 py-1 text-[0.9375rem]">
            <b>Care, {limit.name.toLowerCase()}:</b> {limit.caution}
          </p>
        ))}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {error}
      </p>
      <div className={folded ? 'hidden' : undefined}>
        {ladder.path.length > 0 && (
          <p className="mb-2 text-[0.9375rem]">
            <b>Planned:</b> {ladder.path.map((each) => `${name(each.rung)} from week ${each.week}`).join(', ')}.
          </p>
        )}
        <label className="mb-2 block text-[0.9375rem]">
          Why you move it <span className="text-faint">(kept with the move)</span>
          <input
            className="mt-0.5 block w-full rounded-md border border-wood bg-card px-2 py-1 text-base"
            maxLength={500}
            value={note}
            onChange={(event) => {
              onNote(event.target.value);
            }}
          />
        </label>

        <Minutes ladder={ladder} rung={rung} weekTotal={weekTotal} />

        <h3 className="font-bold">Dose, step by step</h3>
        <ol className="mb-3 space-y-1">
          {rung.steps.map((step, i) => {
            const here = standing && ladder.standing?.step === i;
            return (
              <li key={step}>
                <button
                  type="button"
                  disabled={!standing || busy || here}
                  aria-current={here ? 'step' : undefined}
                  onClick={() => {
                    onMove(rung.id, i);
                  }}
                  className={`min-h-8 w-full rounded border px-2 text-left ${here ? 'border-stand bg-stand font-bold text-on-stand' : 'border-line enabled:hover:border-ink'}`}
                >
                  {step}
                </button>
              </li>
            );
          })}
        </ol>

        <h3 className="font-bold">Set up</h3>
        <ol className="mb-3 list-decimal space-y-0.5 pl-5">
          {words.setup.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
        {said.length > 0 && (
          <>
            <h3 className="font-bold">In {style}</h3>
            <ul className="mb-3 list-disc space-y-0.5 pl-5">
              {said.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </>
        )}
        <p className="mb-3">
          <b>More than below:</b> {words.adds}
        </p>
        <p className="mb-3">
          <b>Look:</b> {words.watch}
        </p>

        <h3 className="font-bold">If you see, say</h3>
        <dl className="mb-3">
          {words.cues.map((cue) => (
            <div key={cue.fault} className="border-t border-line py-1">
              <dt className="font-semibold">{faultNames.get(cue.fault) ?? cue.fault}</dt>
              <dd>{cue.say}</dd>
            </div>
          ))}
        </dl>
        <p>
          <b>Felt in</b> {words.felt_in.join(', ')}; <b>not in</b> {words.not_in.join(', ')}.
        </p>
        <p className="text-faint">Works {words.muscles.join(', ')}.</p>
      </div>
    </aside>
  );
}

/** What the week takes, or would take, with the client on this rung. */
function Minutes({ ladder, rung, weekTotal }: { ladder: BoardLadder; rung: BoardRung; weekTotal: string | null }) {
  const client = useClientId();
  const standing = ladder.standing?.rung === rung.id;
  const known = standing || weekTotal === null || !ladder.in_week || rung.state !== 'open';
  const asked = useMinutesOn(client, rung.id, weekTotal, !known);
  const total = asked.data?.week_total ?? null;
  return (
    <section aria-label="Minutes" className="mb-3 rounded-md bg-paper px-3 py-2">
      {weekTotal === null ? (
        'No week is planned.'
      ) : !ladder.in_week && rung.state === 'open' ? (
        <>This ladder is not in the week: the minutes stay {weekTotal}.</>
      ) : known ? (
        <>
          Week: <b>{weekTotal}</b> min.
        </>
      ) : (
        <>
          Week on this rung: <b>{total?.text ?? '…'}</b> min {total !== null && `(${asked.data?.week_change ?? ''})`}.
        </>
      )}
    </section>
  );
}
