import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { lazy, Suspense, useRef, useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { useNear } from '../../lib/near';
import { dayNames } from '../../lib/words';
import { useMay } from '../../lib/session';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { SelectField, TextField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { TwoTaps } from '../../ui/TwoTaps';
import { needWords } from '../../parts/client/needs';
import { useClients } from '../../parts/client/useClients';
import { filters, orders, useList } from './useList';

const ClientForm = lazy(async () => ({ default: (await import('../client-form/ClientForm')).ClientForm }));

const directions = ['AE', 'AF', 'AL', 'AR'] as const;

export function Clients() {
  const isTrainer = useMay('trainer');
  const clients = useClients();
  const list = useList(clients.data?.clients ?? []);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  if (clients.isPending) return <Waiting what="the clients" />;
  if (clients.isError) return <Notice title={clients.error.message} />;
  const all = clients.data.clients;
  const there = new Set([...chosen].filter((id) => all.some((row) => row.id === id)));
  return (
    <div className="mx-auto max-w-6xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="text-2xl font-bold">Clients</h1>
        {list.order === 'need' && <span className="hidden text-faint sm:inline">those first who need you</span>}
        {clients.data.behind > 0 && <span role="status">Looking through {clients.data.behind} more …</span>}
        {isTrainer && (
          <>
            <span className="ml-auto" />
            {doors.map(([to, name]) => (
              <Link key={to} to={to} className="px-2 py-2 underline underline-offset-4">
                {name}
              </Link>
            ))}
            <Link
              to="/clients/new"
              className="inline-flex min-h-10 items-center gap-2 rounded-md bg-act px-3 font-semibold text-on-act"
            >
              <Plus size={18} aria-hidden /> Add a client
            </Link>
          </>
        )}
      </div>
      {all.length > 0 && (
        <div className="mb-3 flex flex-wrap items-end gap-3">
          <TextField
            label="Find"
            className="min-w-0 flex-1 basis-48"
            value={list.typed}
            onChange={(value) => {
              list.set('find', value);
            }}
          />
          <SelectField
            label="Show"
            className="w-56"
            value={list.filter}
            options={filters}
            onChange={(value) => {
              list.set('only', value);
            }}
          />
          <SelectField
            label="Order"
            className="w-56"
            value={list.order}
            options={orders}
            onChange={(value) => {
              list.set('order', value);
            }}
          />
        </div>
      )}
      {there.size > 0 && (
        <Several
          chosen={all.filter((row) => there.has(row.id))}
          onDone={() => {
            setChosen(new Set());
          }}
        />
      )}
      {all.length === 0 && !isTrainer && <p>No client is shared with you yet.</p>}
      {all.length === 0 && isTrainer && clients.data.behind === 0 && (
        <Suspense fallback={<Waiting what="the form" />}>
          <ClientForm />
        </Suspense>
      )}
      {all.length > 0 && list.shown.length === 0 && <p>No client matches.</p>}
      <ul className="space-y-2">
        {list.shown.map((client, i) => (
          <ClientRow
            key={client.id}
            first={i < DRAWN_AT_ONCE}
            client={client}
            chosen={isTrainer ? there.has(client.id) : null}
            onChoose={(on) => {
              setChosen(new Set(on ? [...there, client.id] : [...there].filter((id) => id !== client.id)));
            }}
          />
        ))}
      </ul>
    </div>
  );
}

/** So many clients fill a screen. */
const DRAWN_AT_ONCE = 12;

const doors = [
  ['/sheets', 'Sheets'],
  ['/archive', 'Archive'],
  ['/clients/table', 'From a table'],
  ['/clients/programs', 'Programs'],
] as const;

/** What is done with several at once. */
function Several({ chosen, onDone }: { chosen: Schemas['ClientRow'][]; onDone: () => void }) {
  const queries = useQueryClient();
  const archive = useMutation({
    mutationFn: async () => {
      for (const row of chosen) {
        await answer(
          api.POST('/clients/{client}/archive', {
            params: { path: { client: row.id } },
            body: { version: row.version },
          }),
        );
      }
    },
    onSuccess: onDone,
    onSettled: () => queries.invalidateQueries({ queryKey: ['clients'] }),
  });
  const look =
    'inline-flex min-h-10 items-center rounded-md border border-line bg-card px-3 font-semibold hover:border-ink';
  const ids = chosen.map((row) => row.id).join(',');
  return (
    <section
      aria-label="With those chosen"
      className="mb-3 flex flex-wrap items-center gap-2 rounded-lg border-2 border-stand p-2"
    >
      <b>{chosen.length} chosen</b>
      <Link className={look} to={`/sheets?of=${ids}`}>
        Sheets
      </Link>
      <Link className={look} to={`/group?of=${ids}`}>
        As a group
      </Link>
      <TwoTaps
        name="Archive"
        onSure={() => {
          archive.mutate();
        }}
      />
      <Button look="quiet" onClick={onDone}>
        None of them
      </Button>
      <span role="alert" className="font-semibold text-warn empty:hidden">
        {archive.error?.message}
      </span>
    </section>
  );
}

function ClientRow({
  client,
  first,
  chosen,
  onChoose,
}: {
  client: Schemas['ClientRow'];
  /** whether it is among those that fill a screen */
  first: boolean;
  /** null where nothing is done with several */
  chosen: boolean | null;
  onChoose: (on: boolean) => void;
}) {
  const days = Object.entries(client.days);
  return (
    <li className="flex items-stretch gap-1">
      {chosen !== null && (
        <label className="flex min-w-8 items-center justify-center">
          <input
            type="checkbox"
            className="size-5"
            aria-label={`Choose ${client.name}`}
            checked={chosen}
            onChange={(event) => {
              onChoose(event.target.checked);
            }}
          />
        </label>
      )}
      <Link
        to={`/clients/${client.id}/wall`}
        className="grid min-w-0 flex-1 items-center gap-x-6 gap-y-2 rounded-lg border border-line bg-card px-4 py-3 hover:border-ink md:grid-cols-[15rem_13rem_1fr_15rem]"
      >
        <span>
          <span className="block text-lg font-bold">{client.name}</span>
          <span className="text-sm text-faint">{client.goal.replace('-', ' ')}</span>
        </span>
        <Levels client={client} first={first} />
        <span className="text-[0.9375rem]">
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
        <span className="text-[0.9375rem] md:text-right">
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

/** The level of each direction as a small level line, so that unevenness is seen in the list. */
function Levels({ client, first }: { client: Schemas['ClientRow']; first: boolean }) {
  const place = useRef<HTMLSpanElement>(null);
  const near = useNear(place, first);
  return (
    <span ref={place} className="block min-h-14">
      {near && <LevelLine client={client} />}
    </span>
  );
}

function LevelLine({ client }: { client: Schemas['ClientRow'] }) {
  const y = (level: number) => 34 - level * 3.2;
  const points = directions.flatMap((code, i) => {
    const level = client.levels[code];
    return level === null ? [] : [{ x: 20 + i * 40, y: y(level), level }];
  });
  return (
    <>
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
    </>
  );
}
