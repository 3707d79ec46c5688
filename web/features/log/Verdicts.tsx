import { useMutation } from '@tanstack/react-query';
import { answer, api, isConflict, type Schemas } from '../../api/client';
import { useClientId, useInTurn } from '../../parts/board/useBoard';
import { useLogChange } from '../../parts/log/useLogChange';
import { Button } from '../../ui/Button';
import { Empty } from '../../ui/Empty';
import { Code } from '../../ui/Code';
import { VerdictCard, verdictNames } from './VerdictCard';

type Verdict = Schemas['LogPage']['verdicts'][number];

/** What follows from the log: first what waits for an answer, then in a line each what stays as it is. */
export function Verdicts({ page }: { page: Schemas['LogPage'] }) {
  const waits = page.verdicts.filter((each) => each.verdict !== 'stay' && each.answered === null);
  const done = page.verdicts.filter((each) => !waits.includes(each) && (each.answered !== null || each.moved_here));
  const rest = page.verdicts.filter((each) => !waits.includes(each) && !done.includes(each));
  const held = (verdict: Verdict) => (verdict.verdict === 'progress' ? (page.holds[verdict.category] ?? null) : null);
  const card = (verdict: Verdict) => <VerdictCard key={verdict.ladder} verdict={verdict} held={held(verdict)} />;
  return (
    <section aria-label="Verdicts">
      <div className="mb-1 flex flex-wrap items-center gap-2">
        <h2 className="text-xl font-bold">Verdicts</h2>
        <AcceptAll of={waits.filter((each) => each.moves && !each.refer && held(each) === null)} />
      </div>
      {page.verdicts.length === 0 && <Empty>Nothing was logged on the rungs where the client stands.</Empty>}
      {page.verdicts.length > 0 && waits.length === 0 && <p className="text-faint">None waits for an answer.</p>}
      {[...waits, ...done].map(card)}
      {rest.map((verdict) => (
        <details key={verdict.ladder} className="border-t border-line">
          <summary className="min-h-9 cursor-pointer py-1">
            <Code code={verdict.category} /> <b>{verdict.name}</b>, {verdictNames[verdict.verdict].toLowerCase()}
            <span className="text-faint">: {verdict.would_change[0] ?? verdict.reasons[0]}</span>
          </summary>
          {card(verdict)}
        </details>
      ))}
    </section>
  );
}

/** Every step that waits and that evenness does not hold, one after the other: each changes the plan that the next is asked of. */
function AcceptAll({ of }: { of: readonly Verdict[] }) {
  const client = useClientId();
  const turn = useInTurn();
  const refresh = useLogChange();
  const accept = useMutation({
    scope: turn.scope,
    mutationFn: async () => {
      for (const { ladder } of of) {
        await answer(
          api.POST('/clients/{client}/verdicts', {
            params: { path: { client } },
            body: { version: turn.version(), ladder, answer: 'accepted' },
          }),
        );
        await turn.settled();
      }
    },
    onSettled: async () => {
      refresh();
      await turn.settled();
    },
  });
  return (
    <>
      {of.length > 1 && (
        <Button
          look="act"
          className="ml-auto"
          disabled={accept.isPending}
          onClick={() => {
            accept.mutate();
          }}
        >
          {accept.isPending ? 'Accepting …' : `Accept all ${of.length}`}
        </Button>
      )}
      <span role="alert" className="w-full font-semibold text-warn empty:hidden">
        {isConflict(accept.error)
          ? 'Somebody else changed this client in the meantime; look again and press once more.'
          : accept.error?.message}
      </span>
    </>
  );
}
