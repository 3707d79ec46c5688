import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { answer, api, ApiError, isConflict, type Schemas } from '../../api/client';
import { useKept } from '../../lib/useKept';
import { longDate, today } from '../../lib/dates';
import { useMay } from '../../lib/session';
import { Button } from '../../ui/Button';
import { SelectField, TextField, Tick, toggled } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { useClientId, useInTurn, useLibrary } from '../../parts/board/useBoard';
import { limitOf } from '../../parts/client/document';
import { missing, missingWords, unasked, type Safety } from '../../parts/screen/safety';
import { SafetyFields } from '../../parts/screen/SafetyFields';
import { Empty } from '../../ui/Empty';
import { useScreen, useClientDocument } from './queries';

type Page = Schemas['ScreenPage'];

/** Nobody has to train with pain; only where a clinician asks for it is this lifted. */
const WISHED = 'monitored-pain';

/** The screen of a client: what must be cleared, when it is due again, every dated answer, and what it touched. */
export function ScreenPage() {
  const client = useClientId();
  const isTrainer = useMay('trainer');
  const library = useLibrary();
  const page = useScreen(client);
  const record = useClientDocument(client);
  const error = page.error ?? record.error ?? library.error;
  if (error !== null) return <Notice title={error.message} />;
  if (page.data === undefined || record.data === undefined || library.data === undefined)
    return <Waiting what="the screen" />;
  // new answers begin the form anew; a clearance that is recorded beside it does not
  const asked = JSON.stringify([page.data.answers.length, record.data.document.screen, record.data.document.limits]);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_26rem]">
      {isTrainer ? (
        <Ask key={asked} record={record.data} library={library.data} due={page.data.due} />
      ) : (
        <Answers page={page.data} />
      )}
      <div className="space-y-6">
        <Clearances page={page.data} />
        {isTrainer && <Answers page={page.data} />}
      </div>
    </div>
  );
}

/** Sends a change of the screen; the page, the board and the client are read anew. What is to be done first comes before the form goes. */
function useScreenCommand<T>(send: (body: T, version: number) => Promise<Page>, first?: () => void) {
  const client = useClientId();
  const turn = useInTurn();
  const queries = useQueryClient();
  const refresh = () => {
    for (const key of ['client', 'programs', 'week']) {
      void queries.invalidateQueries({ queryKey: [key, client] });
    }
    void queries.invalidateQueries({ queryKey: ['clients'] });
  };
  return useMutation({
    scope: turn.scope,
    mutationFn: (body: T) => send(body, turn.version()),
    onSuccess: async (page) => {
      first?.();
      queries.setQueryData(['screen', client], page);
      refresh();
      await turn.settled();
    },
    // somebody else changed the client: what was entered stays, and a second press goes on top of the newer
    onError: (error) => {
      if (isConflict(error)) void queries.invalidateQueries({ queryKey: ['board', client] });
    },
  });
}

function Failure({ error }: { error: Error | null }) {
  const lines =
    error instanceof ApiError && !isConflict(error) && error.problem.errors.length > 0
      ? error.problem.errors.map((each) => `${each.path.slice(1)}: ${each.message}`)
      : error === null
        ? []
        : [
            isConflict(error)
              ? 'Somebody else changed this client in the meantime. Nothing is lost: press again to put yours on top.'
              : error.message,
          ];
  return (
    <div role="alert" className="font-semibold text-warn empty:hidden">
      {lines.map((line) => (
        <p key={line}>{line}</p>
      ))}
    </div>
  );
}

function Card({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title}>
      <h2 className="mb-1 text-xl font-bold">{title}</h2>
      {children}
    </section>
  );
}

function Ask({
  record,
  library,
  due,
}: {
  record: Schemas['KeptClient'];
  library: Schemas['LibraryAnswer'];
  due: Page['due'];
}) {
  const client = useClientId();
  const known: { on: string; safety: Safety } = {
    on: today(),
    // what is sore is known until it is said to be over; signs are asked anew
    safety: { ...unasked, limits: (record.document.limits ?? []).map(limitOf) },
  };
  const [answers, keep, drop] = useKept(`screen:${client}`, known, `${today()} ${record.version}`);
  const { on, safety } = answers;
  const put = (part: Partial<typeof known>) => {
    keep((before) => ({ ...before, ...part }));
  };
  const left = missing(library.flags, safety);
  const save = useScreenCommand(
    (_: null, version) =>
      answer(
        api.POST('/clients/{client}/screen', {
          params: { path: { client } },
          body: { version, on, flags: [...safety.flags], limits: [...safety.limits] },
        }),
      ),
    drop,
  );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(null);
      }}
    >
      <h2 className="text-xl font-bold">Ask today</h2>
      <p className={`mb-2 ${due?.over === true ? 'font-semibold text-warn' : 'text-faint'}`}>
        {due === null
          ? 'Nobody asked yet.'
          : due.over
            ? `Due since ${longDate(due.on)}: ${due.why}`
            : `Next due on ${longDate(due.on)}: ${due.why}`}
      </p>
      <div className="rounded-lg border border-line bg-card p-4">
        <SafetyFields
          library={library}
          safety={safety}
          before={record.document.screen?.flags ?? []}
          onChange={(next) => {
            put({ safety: next });
          }}
        />
      </div>
      <div className="mt-4 flex flex-wrap items-end gap-4">
        <TextField
          label="Asked on"
          type="date"
          value={on}
          onChange={(day) => {
            put({ on: day });
          }}
          className="w-44"
        />
        <Button look="act" type="submit" disabled={left > 0 || save.isPending}>
          {save.isPending ? 'Saving …' : 'Save the answers'}
        </Button>
      </div>
      {left > 0 && <p className="mt-1 font-semibold text-warn">{missingWords(left)}</p>}
      <p className="mt-1 text-sm text-faint">
        Unasked is not “no”. Saving plans the program anew, and stops it where a clinician comes first.
      </p>
      <Failure error={save.error} />
      {save.isSuccess && (
        <p role="status" className="font-semibold">
          Saved.
        </p>
      )}
    </form>
  );
}

function Clearances({ page }: { page: Page }) {
  const client = useClientId();
  const isTrainer = useMay('trainer');
  const withdraw = useScreenCommand((clearance: number, version) =>
    answer(
      api.POST('/clients/{client}/clearances/{clearance}/withdraw', {
        params: { path: { client, clearance } },
        body: { version },
      }),
    ),
  );
  return (
    <Card title="Clearances">
      {page.needed.length === 0 && <Empty>Nothing that this client reported needs one.</Empty>}
      <ul>
        {page.needed.map((each) => (
          <li key={each.id} className="flex border-t border-line py-1.5">
            <b>{each.name}</b>
            <span
              className={`ml-auto ${each.covered || each.id === WISHED ? 'text-faint' : 'font-semibold text-warn'}`}
            >
              {each.covered ? 'cleared' : each.id === WISHED ? 'not cleared' : 'needs a clearance'}
            </span>
          </li>
        ))}
      </ul>
      {page.needed.some((each) => !each.covered) && <NewClearance page={page} />}
      <ul className="mt-2">
        {page.clearances.map((each) => (
          <li key={each.id} className="border-t border-line py-1.5">
            <span className={each.withdrawn ? 'text-faint line-through' : ''}>
              <b>{each.who}</b>, {each.role}, {longDate(each.on)}: {each.covers.join(', ')}
              {each.until !== null && <>, until {longDate(each.until)}</>}
              {each.max_level !== null && <>, up to level {each.max_level}</>}
            </span>
            {each.note !== null && <span className="block text-[0.9375rem] text-faint">{each.note}</span>}
            {each.withdrawn ? (
              <span className="block text-sm text-faint">withdrawn</span>
            ) : (
              isTrainer && (
                <Button
                  look="quiet"
                  className="underline"
                  disabled={withdraw.isPending}
                  onClick={() => {
                    withdraw.mutate(each.id);
                  }}
                >
                  Withdraw
                </Button>
              )
            )}
          </li>
        ))}
      </ul>
      <Failure error={withdraw.error} />
    </Card>
  );
}

function NewClearance({ page }: { page: Page }) {
  const client = useClientId();
  const open = page.needed.filter((each) => !each.covered && each.id !== WISHED).map((each) => each.id);
  const [who, setWho] = useState('');
  const [role, setRole] = useState('');
  const [on, setOn] = useState(today());
  const [until, setUntil] = useState('');
  const [level, setLevel] = useState('');
  const [note, setNote] = useState('');
  const [covers, setCovers] = useState<string[]>(open);
  const save = useScreenCommand((_: null, version) =>
    answer(
      api.POST('/clients/{client}/clearances', {
        params: { path: { client } },
        body: {
          version,
          who,
          role,
          on,
          covers,
          ...(until === '' ? {} : { until }),
          ...(level === '' ? {} : { max_level: Number(level) }),
          ...(note.trim() === '' ? {} : { note }),
        },
      }),
    ),
  );
  return (
    <form
      className="mt-2 space-y-2 rounded-lg border border-line bg-card p-3"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(null);
      }}
    >
      <h3 className="font-bold">Record a clearance</h3>
      <TextField label="Who gave it" value={who} onChange={setWho} />
      <TextField label="Their role" value={role} onChange={setRole} />
      <TextField label="Given on" type="date" value={on} onChange={setOn} />
      <TextField label="Until (open where empty)" type="date" value={until} onChange={setUntil} />
      <SelectField
        label="Up to level"
        value={level}
        options={[
          ['', 'no limit was named'],
          ...Array.from({ length: 10 }, (_, i) => [String(i + 1), String(i + 1)] as const),
        ]}
        onChange={setLevel}
      />
      <TextField label="What they allowed or asked for" value={note} onChange={setNote} />
      <fieldset>
        <legend className="font-semibold">The clearance allows again</legend>
        {page.needed
          .filter((each) => !each.covered)
          .map((each) => (
            <Tick
              key={each.id}
              label={each.name}
              checked={covers.includes(each.id)}
              onChange={(is) => {
                setCovers(toggled(covers, each.id, is));
              }}
            />
          ))}
      </fieldset>
      <Button look="act" type="submit" disabled={save.isPending}>
        Record the clearance
      </Button>
      <p className="text-sm text-faint">
        A trainer cannot lift a sign alone. Write down only what a licensed practitioner has said.
      </p>
      <Failure error={save.error} />
    </form>
  );
}

function Answers({ page }: { page: Page }) {
  return (
    <Card title="Answers so far">
      <ul>
        {page.answers.map((each, i) => (
          <li key={i} className="border-t border-line py-1.5 text-[0.9375rem]">
            <b>{longDate(each.on)}</b>
            {each.by !== null && (
              <span className="text-faint">
                , {each.asked ? 'asked' : 'changed'} by {each.by}
              </span>
            )}
            <span className="block">
              {each.flags === null
                ? 'Signs were not asked.'
                : each.flags.length === 0
                  ? 'No sign.'
                  : `Signs: ${each.flags.join(', ')}.`}{' '}
              {each.limits.length === 0 ? 'Nothing sore.' : `${each.limits.join('; ')}.`}
            </span>
            {each.touched.map((program) => (
              <span key={program.title} className="block text-warn">
                Touches {program.title}: {program.exercises.join(', ')}.
              </span>
            ))}
          </li>
        ))}
      </ul>
    </Card>
  );
}
