import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ClipboardList, Footprints, Play, Printer, SlidersHorizontal, Sprout } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { useBoard, useClientId, useLibrary, type Board } from '../../parts/board/useBoard';
import { Abilities } from '../../parts/client/Abilities';
import { PathLine } from '../../parts/client/PathLine';
import { WeekInShort } from '../../parts/week/WeekInShort';
import { Button } from '../../ui/Button';
import { Notice, Waiting } from '../../ui/Notice';

const big =
  'inline-flex min-h-12 items-center justify-center gap-2 rounded-md border px-4 text-[1.0625rem] font-semibold';

/** The second and the third step to a first week: where the client stands, and the week to paper or floor. */
export function StartPage() {
  const client = useClientId();
  const board = useBoard();
  const library = useLibrary();
  const [params] = useSearchParams();
  const at = params.get('at') === 'week' ? 'week' : 'stand';
  const error = board.error ?? library.error;
  if (error !== null) return <Notice title={error.message} />;
  if (board.data === undefined || library.data === undefined) return <Waiting what="the client" />;
  return (
    <div className="mx-auto max-w-5xl p-4">
      <PathLine at={at} client={client} />
      {board.data.unasked !== null || board.data.refer.length > 0 ? (
        <NoWeek board={board.data} />
      ) : at === 'week' ? (
        <FirstWeek board={board.data} />
      ) : (
        <Stand board={board.data} library={library.data} />
      )}
    </div>
  );
}

function NoWeek({ board }: { board: Board }) {
  return (
    <>
      <h1 className="mb-2 text-2xl font-bold">{board.client.name}</h1>
      {board.refer.length > 0 ? (
        <Notice title="Planning stops here until a clinician has seen the client.">
          <ul>
            {board.refer.map((each) => (
              <li key={each.text}>{each.text}</li>
            ))}
          </ul>
          <Link to={`/clients/${board.id}/screen`} className="font-semibold underline underline-offset-4">
            Record a clearance
          </Link>
        </Notice>
      ) : (
        <Notice
          title={
            board.unasked === 'screen'
              ? 'There is no week yet: the screen was not asked.'
              : 'There is no week yet: no day has minutes.'
          }
        >
          <Link to={`/clients/${board.id}/edit`} className="font-semibold underline underline-offset-4">
            Ask now
          </Link>
        </Notice>
      )}
    </>
  );
}

function Stand({ board, library }: { board: Board; library: Schemas['LibraryAnswer'] }) {
  const navigate = useNavigate();
  const [typing, setTyping] = useState(false);
  const week = `/clients/${board.id}/start?at=week`;
  return (
    <>
      <h1 className="mb-3 text-2xl font-bold">Where does {board.client.name} stand?</h1>
      <div className="grid gap-4 md:grid-cols-3">
        <Way icon={<Sprout aria-hidden />} name="Start low">
          <p>
            Every ladder begins at a rung well within reach. Logs raise it within weeks: right for who is new, sore or
            back after a break.
          </p>
          <Button look="act" className={big} onClick={() => void navigate(week)}>
            Start low
          </Button>
        </Way>
        <Way icon={<Footprints aria-hidden />} name="Climb a test day">
          <p>
            Rung by rung on the floor until one is not clean, and a few timed holds. The surest way; it takes a session.
          </p>
          <Link to={`/clients/${board.id}/tests?path=1`} className={`${big} border-line bg-card hover:border-ink`}>
            Climb a test day
          </Link>
        </Way>
        <Way icon={<SlidersHorizontal aria-hidden />} name="Type levels">
          <p>A level from 1 to 10 for each direction, where you know the client. Directions without one start low.</p>
          <Button
            className={big}
            aria-expanded={typing}
            onClick={() => {
              setTyping(!typing);
            }}
          >
            Type levels
          </Button>
        </Way>
      </div>
      {typing && <Levels client={board.id} library={library} onDone={() => void navigate(week)} />}
    </>
  );
}

function Way({ icon, name, children }: { icon: ReactNode; name: string; children: ReactNode }) {
  return (
    <section aria-label={name} className="flex flex-col gap-3 rounded-lg border border-line bg-card p-4">
      <h2 className="flex items-center gap-2 text-lg font-bold">
        {icon} {name}
      </h2>
      {children}
    </section>
  );
}

function Levels({
  client,
  library,
  onDone,
}: {
  client: string;
  library: Schemas['LibraryAnswer'];
  onDone: () => void;
}) {
  const queries = useQueryClient();
  const [ability, setAbility] = useState({});
  const save = useMutation({
    mutationFn: async () => {
      const params = { path: { client } };
      const kept = await answer(api.GET('/clients/{client}', { params }));
      return answer(
        api.PUT('/clients/{client}', {
          params,
          body: { version: kept.version, document: { ...kept.document, ability } },
        }),
      );
    },
    onSuccess: async () => {
      queries.removeQueries({ queryKey: ['client', client] });
      await queries.invalidateQueries({ queryKey: ['board', client] });
      onDone();
    },
  });
  return (
    <form
      className="mt-4 rounded-lg border border-line bg-card p-4"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <Abilities library={library} ability={ability} error={() => undefined} onChange={setAbility} />
      <Button look="act" type="submit" className="mt-3" disabled={save.isPending}>
        {save.isPending ? 'Placing …' : 'Place them there'}
      </Button>
      {save.isError && (
        <p role="alert" className="mt-2 font-semibold text-warn">
          {save.error.message}
        </p>
      )}
    </form>
  );
}

function FirstWeek({ board }: { board: Board }) {
  const first = board.week?.sessions[0];
  if (board.week === null || first === undefined) {
    return <Notice title={board.nothing_programmable ?? 'Nothing could be planned.'} />;
  }
  return (
    <>
      <h1 className="mb-3 text-2xl font-bold">{board.client.name}’s first week</h1>
      <div className="mb-4 flex flex-wrap gap-3">
        <Link to={`/clients/${board.id}/sheet`} className={`${big} border-act bg-act text-on-act`}>
          <Printer size={20} aria-hidden /> To paper
        </Link>
        <Link to={`/clients/${board.id}/door`} className={`${big} border-line bg-card hover:border-ink`}>
          <Play size={20} aria-hidden /> To the floor
        </Link>
        <Link to={`/clients/${board.id}/week`} className={`${big} border-line bg-card hover:border-ink`}>
          <ClipboardList size={20} aria-hidden /> Change it first
        </Link>
      </div>
      <WeekInShort title="Week 1" under={board.style.name} week={board.week} other={null} />
    </>
  );
}
