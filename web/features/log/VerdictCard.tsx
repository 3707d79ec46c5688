import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, isConflict, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { SelectField, TextField } from '../../ui/Field';
import { useBoard, useClientId, useInTurn } from '../../parts/board/useBoard';
import { useLogChange } from '../../parts/log/useLogChange';

type Verdict = Schemas['LogPage']['verdicts'][number];
type Answer = Omit<Schemas['VerdictAnswerRequest'], 'version' | 'ladder'>;

export const verdictNames: Record<Verdict['verdict'], string> = {
  progress: 'Progress',
  'step-up': 'A step up',
  stay: 'Stay',
  'step-down': 'A step down',
  regress: 'A rung down',
  stop: 'Stop and refer',
};

/** What follows from the log on one ladder: the facts, what would have changed it, and the trainer's answer. */
export function VerdictCard({ verdict, held }: { verdict: Verdict; held: string | null }) {
  const client = useClientId();
  const turn = useInTurn();
  const refresh = useLogChange();
  const reply = useMutation({
    scope: turn.scope,
    mutationFn: (how: Answer) =>
      answer(
        api.POST('/clients/{client}/verdicts', {
          params: { path: { client } },
          body: { version: turn.version(), ladder: verdict.ladder, ...how },
        }),
      ),
    onSuccess: () => {
      setChanging(false);
    },
    onSettled: async () => {
      refresh();
      await turn.settled();
    },
  });
  const [changing, setChanging] = useState(false);
  const bad = verdict.verdict === 'stop' || verdict.refer;
  const takesOut = verdict.verdict === 'stop' && verdict.scope === 'ladder';
  const changer = (
    <Button
      disabled={reply.isPending}
      onClick={() => {
        setChanging(true);
      }}
    >
      Something else …
    </Button>
  );
  return (
    <article
      aria-label={`Verdict on ${verdict.name}`}
      data-verdict={verdict.verdict}
      className={`mb-3 rounded-lg border p-3 ${bad ? 'border-warn bg-warn-soft' : 'border-line bg-card'}`}
    >
      <h3 className="flex items-baseline gap-2 text-lg font-bold">
        <Code code={verdict.category} /> {verdict.name}
        <span className={`ml-auto ${bad ? 'text-warn' : ''}`}>{verdictNames[verdict.verdict]}</span>
      </h3>
      <p>
        {verdict.from}, {verdict.from_dose}
        {verdict.to !== null && verdict.moves && (
          <>
            {' → '}
            <b>{verdict.to === verdict.from ? verdict.dose : `${verdict.to}, ${verdict.dose ?? ''}`}</b>
          </>
        )}
      </p>
      <ul className="text-[0.9375rem]">
        {verdict.reasons.map((reason) => (
          <li key={reason}>{reason}</li>
        ))}
        {verdict.would_change.map((line) => (
          <li key={line} className="text-faint">
            Would change it: {line}
          </li>
        ))}
        {verdict.swap !== null && <li>Spares it: {verdict.swap}.</li>}
        {verdict.load !== null && <li className="font-semibold">{verdict.load}</li>}
        {verdict.retest && <li>Test this ladder again.</li>}
      </ul>
      {verdict.gives_way.length > 0 && <GivesWay lines={verdict.gives_way} />}
      {verdict.verdict === 'stop' && (
        <p className="font-semibold">
          {verdict.scope === 'all'
            ? 'The whole plan is halted until a clearance of a later day is recorded.'
            : 'This ladder is out of plan, door and floor until a clearance of a later day is recorded.'}
        </p>
      )}
      {verdict.moved_here && <p className="font-semibold">Accepted: the client was moved here.</p>}
      {held !== null && <p className="font-semibold text-warn">{held}</p>}
      <details className="text-sm text-faint">
        <summary className="min-h-6 cursor-pointer">Why</summary>
        {verdict.sentence}
      </details>
      {verdict.verdict === 'stay' ? null : verdict.answered === null ? (
        <div className="mt-2 flex gap-2">
          {(verdict.moves || takesOut) && (
            <Button
              look="act"
              disabled={reply.isPending}
              onClick={() => {
                reply.mutate({ answer: 'accepted' });
              }}
            >
              {takesOut
                ? verdict.swap === null
                  ? 'Take it out'
                  : `Take it out, ${verdict.swap} in its place`
                : 'Accept'}
            </Button>
          )}
          <Button
            disabled={reply.isPending}
            onClick={() => {
              reply.mutate({ answer: 'postponed' });
            }}
          >
            {verdict.moves || takesOut ? 'Not now' : 'Noted'}
          </Button>
          {!changing && changer}
        </div>
      ) : (
        <p className="mt-1 font-semibold">
          {verdict.answered === 'accepted'
            ? takesOut
              ? 'Taken out of the weeks ahead.'
              : 'Accepted.'
            : verdict.answered === 'changed'
              ? `Changed: ${verdict.note ?? ''}`
              : verdict.moves
                ? 'Put off until the next log.'
                : 'Noted.'}
        </p>
      )}
      {verdict.verdict === 'stay' && !changing && <div className="mt-2">{changer}</div>}
      {changing && (
        <Change
          verdict={verdict}
          busy={reply.isPending}
          onCancel={() => {
            setChanging(false);
          }}
          onChange={(change) => {
            reply.mutate({ answer: 'changed', ...change });
          }}
        />
      )}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {isConflict(reply.error)
          ? 'Somebody else changed this client in the meantime; look again and press once more.'
          : reply.error?.message}
      </p>
    </article>
  );
}

/** What the minutes of the weeks ahead lose by it; the first lines at once, all of them on a tap. */
function GivesWay({ lines }: { lines: readonly string[] }) {
  const list = (some: readonly string[]) => (
    <ul className="list-disc pl-5 text-[0.9375rem]">
      {some.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
  return (
    <div className="my-1">
      <p className="font-semibold">What the weeks ahead lose by it</p>
      {list(lines.slice(0, 2))}
      {lines.length > 2 && (
        <details>
          <summary className="min-h-8 cursor-pointer text-[0.9375rem] font-semibold">
            and {lines.length - 2} more
          </summary>
          {list(lines.slice(2))}
        </details>
      )}
    </div>
  );
}

/** Another rung or step of the ladder, with the reason for it. */
function Change({
  verdict,
  busy,
  onChange,
  onCancel,
}: {
  verdict: Verdict;
  busy: boolean;
  onChange: (change: { rung: string; step: number; note: string }) => void;
  onCancel: () => void;
}) {
  const ladder = useBoard().data?.ladders.find((each) => each.id === verdict.ladder);
  const [rung, setRung] = useState(verdict.from_rung);
  const [step, setStep] = useState(String(verdict.from_step));
  const [note, setNote] = useState('');
  const rungs = ladder?.rungs.filter((each) => each.state === 'open' || each.id === verdict.from_rung) ?? [];
  const steps = rungs.find((each) => each.id === rung)?.steps ?? [];
  return (
    <form
      className="mt-2 space-y-2 rounded-md border border-line p-3"
      onSubmit={(event) => {
        event.preventDefault();
        onChange({ rung, step: Number(step), note: note.trim() });
      }}
    >
      <SelectField
        label="Rung"
        value={rung}
        options={rungs.map((each) => [each.id, each.name] as const)}
        onChange={(id) => {
          setRung(id);
          setStep('0');
        }}
      />
      <SelectField
        label="Dose"
        value={step}
        options={steps.map((dose, i) => [String(i), dose] as const)}
        onChange={setStep}
      />
      <TextField label="Why" value={note} onChange={setNote} />
      <div className="flex gap-2">
        <Button look="act" type="submit" disabled={busy || note.trim() === ''}>
          Do this instead
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </form>
  );
}
