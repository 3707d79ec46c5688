import { useMutation } from '@tanstack/react-query';
import { ClipboardCheck, DoorOpen, Play } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { longDate } from '../../lib/dates';
import { kindNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { Notice, Waiting } from '../../ui/Notice';
import { needWords } from '../../parts/client/needs';
import { useClients } from '../../parts/client/useClients';
import { startRun } from '../../parts/run/start';

type Row = Schemas['ClientRow'];
type Session = Schemas['SessionOfDay'];

const states = {
  planned: '',
  running: 'on the floor',
  done: 'done',
  missed: 'left out',
} as const;

/** Who comes today, in order, with what each needs and one tap to what is done with them. */
export function TodayPage() {
  const clients = useClients();
  if (clients.isPending) return <Waiting what="the day" />;
  if (clients.isError) return <Notice title={clients.error.message} />;
  const { day } = clients.data;
  const due = clients.data.clients.flatMap((client) =>
    client.today.filter((session) => session.date === day).map((session) => ({ client, session })),
  );
  due.sort((a, b) => (a.session.at ?? '99').localeCompare(b.session.at ?? '99'));
  const open = clients.data.clients.filter((client) => client.open.length > 0);
  const others = clients.data.clients.filter(
    (client) => client.needs.length > 0 && !due.some((each) => each.client === client),
  );
  return (
    <div className="mx-auto max-w-4xl space-y-6 p-4">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-2xl font-bold">Today</h1>
        <span className="text-faint">{longDate(day)}</span>
        {clients.data.behind > 0 && <span role="status">Looking through {clients.data.behind} more …</span>}
      </div>
      {due.length === 0 && (
        <p>
          Nobody’s program has a session today.{' '}
          <Link to="/clients" className="underline underline-offset-4">
            Choose among the clients
          </Link>
        </p>
      )}
      <ol className="space-y-3">
        {due.map(({ client, session }) => (
          <Due key={`${client.id} ${session.week} ${session.number}`} client={client} session={session} />
        ))}
      </ol>
      {open.length > 0 && (
        <section aria-label="Not answered">
          <h2 className="text-xl font-bold">Planned in the last days, and nobody said what became of it</h2>
          <ul>
            {open.map((client) => (
              <li key={client.id} className="border-t border-line">
                <Link
                  to={`/clients/${client.id}/week?week=${client.open[0]?.week ?? 1}`}
                  className="flex min-h-11 flex-wrap items-center gap-x-3 hover:bg-card"
                >
                  <b>{client.name}</b>
                  <span>{client.open.map((session) => longDate(session.date)).join('; ')}</span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      {others.length > 0 && (
        <section aria-label="Who else needs you">
          <h2 className="text-xl font-bold">Who else needs you</h2>
          <ul>
            {others.map((client) => (
              <li key={client.id} className="border-t border-line">
                <Link
                  to={`/clients/${client.id}/wall`}
                  className="flex min-h-11 flex-wrap items-center gap-x-3 hover:bg-card"
                >
                  <b>{client.name}</b>
                  <Needs client={client} />
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

function Needs({ client }: { client: Row }) {
  return client.needs.map((need) => (
    <span key={need.kind} className="font-semibold text-warn">
      {needWords(need, client)}
    </span>
  ));
}

function Due({ client, session }: { client: Row; session: Session }) {
  const navigate = useNavigate();
  const run = useMutation({
    mutationFn: () => startRun(client.id, session.week, session.number),
    onSuccess: () => navigate('/floor'),
  });
  const look =
    'inline-flex min-h-11 items-center gap-2 rounded-md border border-line bg-card px-3 font-semibold hover:border-ink';
  const isOpen = session.state === 'planned';
  return (
    <li aria-label={client.name} className="rounded-lg border border-line bg-card p-3">
      <p className="flex flex-wrap items-baseline gap-x-3">
        {session.at !== null && <b className="text-xl">{session.at}</b>}
        <Link to={`/clients/${client.id}/wall`} className="text-xl font-bold underline-offset-4 hover:underline">
          {client.name}
        </Link>
        <span>
          {session.minutes} min
          {session.kind !== 'standalone' && `, ${kindNames[session.kind]?.toLowerCase() ?? ''}`}
        </span>
        {!isOpen && <b>{states[session.state]}</b>}
        {client.limits.length > 0 && <span className="text-faint">{client.limits.join(', ')}</span>}
      </p>
      <p className="flex flex-wrap gap-x-3">
        <Needs client={client} />
      </p>
      {isOpen && client.refer === null && (
        <div className="mt-2 flex flex-wrap gap-2">
          <Link to={`/clients/${client.id}/door`} className={look}>
            <DoorOpen size={18} aria-hidden /> At the door
          </Link>
          <Button
            look="act"
            className="min-h-11"
            disabled={run.isPending}
            onClick={() => {
              run.mutate();
            }}
          >
            <Play size={18} aria-hidden /> Run
          </Button>
          <Link
            to={`/clients/${client.id}/log?week=${session.week}&session=${session.number}&as=planned`}
            className={look}
          >
            <ClipboardCheck size={18} aria-hidden /> As planned
          </Link>
        </div>
      )}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {run.error?.message}
      </p>
    </li>
  );
}
