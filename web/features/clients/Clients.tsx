import { Plus } from 'lucide-react';
import { Link } from 'react-router';
import { type Schemas } from '../../api/client';
import { longDate } from '../../lib/dates';
import { dayNames, urgencyNames } from '../../lib/words';
import { useMay } from '../../lib/session';
import { Code } from '../../ui/Code';
import { Notice, Waiting } from '../../ui/Notice';
import { useClients } from '../../parts/client/useClients';

const directions = ['AE', 'AF', 'AL', 'AR'] as const;

export function Clients() {
  const isTrainer = useMay('trainer');
  const clients = useClients();
  if (clients.isPending) return <Waiting what="the clients" />;
  if (clients.isError) return <Notice title={clients.error.message} />;
  return (
    <div className="mx-auto max-w-6xl p-4">
      <div className="mb-3 flex items-center gap-4">
        <h1 className="text-2xl font-bold">Clients</h1>
        <span className="hidden text-faint sm:inline">those first who need you</span>
        {clients.data.behind > 0 && <span role="status">Looking through {clients.data.behind} more …</span>}
        {isTrainer && (
          <>
            <Link to="/sheets" className="ml-auto px-2 py-2 underline underline-offset-4">
              Sheets
            </Link>
            <Link to="/archive" className="px-2 py-2 underline underline-offset-4">
              Archive
            </Link>
            <Link to="/clients/table" className="px-2 py-2 underline underline-offset-4">
              From a table
            </Link>
            <Link to="/clients/programs" className="px-2 py-2 underline underline-offset-4">
              Programs
            </Link>
            <Link
              to="/clients/new"
              className="inline-flex min-h-10 items-center gap-2 rounded-md bg-act px-3 font-semibold text-on-act"
            >
              <Plus size={18} aria-hidden /> Add a client
            </Link>
          </>
        )}
      </div>
      {clients.data.clients.length === 0 && (
        <p>{isTrainer ? 'No clients yet. Add the first one.' : 'No client is shared with you yet.'}</p>
      )}
      <ul className="space-y-2">
        {clients.data.clients.map((client) => (
          <ClientRow key={client.id} client={client} />
        ))}
      </ul>
    </div>
  );
}

function ClientRow({ client }: { client: Schemas['ClientRow'] }) {
  const days = Object.entries(client.days);
  return (
    <li>
      <Link
        to={`/clients/${client.id}/wall`}
        className="grid items-center gap-x-6 gap-y-2 rounded-lg border border-line bg-card px-4 py-3 hover:border-ink md:grid-cols-[15rem_13rem_1fr_15rem]"
      >
        <span>
          <span className="block text-lg font-bold">{client.name}</span>
          <span className="text-sm text-faint">{client.goal.replace('-', ' ')}</span>
        </span>
        <Levels client={client} />
        <span className="text-[15px]">
          {client.limits.length > 0 && <span className="font-semibold">{client.limits.join(', ')}</span>}
          {client.needs.map((need) => (
            <span key={need.kind} data-need={need.kind} className="block font-bold text-warn">
              {needWords(need, client)}
            </span>
          ))}
          {client.refer === null && client.gaps.length > 0 && (
            <span className="block text-warn">Short this week: {client.gaps.join(', ')}</span>
          )}
        </span>
        <span className="text-[15px] md:text-right">
          <span className="block">
            {days.map(([day, min]) => `${(dayNames[day] ?? day).slice(0, 2)} ${min}`).join(' · ')} min
          </span>
          <span className="text-faint">
            {client.sessions === 0 ? 'no week planned' : `${client.sessions} sessions planned`}
          </span>
        </span>
      </Link>
    </li>
  );
}

function needWords({ kind, on, count }: Schemas['ClientRow']['needs'][number], client: Schemas['ClientRow']): string {
  const day = on === null ? '' : longDate(on);
  return {
    stop: client.stop ?? `Stopped on ${day}`,
    refer: urgencyNames[client.refer ?? ''] ?? '',
    pain: `Pain ${count ?? 0} of 10 on ${day}`,
    decision: count === 1 ? 'A verdict waits' : `${count ?? 0} verdicts wait`,
    screen: `Screen due since ${day}`,
    kept: count === 1 ? 'One barred exercise kept all the same' : `${count ?? 0} barred exercises kept all the same`,
    stuck: count === 1 ? 'Stuck on a ladder for four weeks' : `Stuck on ${count ?? 0} ladders for four weeks`,
    retest: `Re-test due since ${day}`,
    unseen: `Last seen ${day}`,
  }[kind];
}

/** The level of each direction as a small level line, so that unevenness is seen in the list. */
function Levels({ client }: { client: Schemas['ClientRow'] }) {
  const y = (level: number) => 34 - level * 3.2;
  const points = directions.flatMap((code, i) => {
    const level = client.levels[code];
    return level === null ? [] : [{ x: 20 + i * 40, y: y(level), level }];
  });
  return (
    <span className="block">
      <svg viewBox="0 0 160 38" className="block h-9 w-40" aria-hidden>
        {directions.map((code, i) => (
          <path key={code} d={`M${20 + i * 40} 2v34`} stroke="var(--line)" strokeWidth="2" />
        ))}
        {points.slice(1).map((p, i) => {
          const before = points[i];
          // a direction nobody stands on is a gap in the line, not a level
          return before === undefined || p.x - before.x > 40 ? null : (
            <path key={p.x} d={`M${before.x} ${before.y}L${p.x} ${p.y}`} stroke="var(--act)" strokeWidth="2.5" />
          );
        })}
        {points.map((p) => (
          <circle key={p.x} cx={p.x} cy={p.y} r="4" fill="var(--stand)" />
        ))}
      </svg>
      <span className="grid w-40 grid-cols-4 text-center text-sm">
        {directions.map((code) => (
          <span key={code}>
            <Code code={code} /> <span className="font-bold">{client.levels[code] ?? '–'}</span>
          </span>
        ))}
      </span>
    </span>
  );
}
