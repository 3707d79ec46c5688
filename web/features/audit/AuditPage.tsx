import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Redo2, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, ApiError, asks, type Schemas } from '../../api/client';
import { dayNames, kindNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { SelectField } from '../../ui/Field';
import { Insist } from '../../ui/Insist';
import { counted } from '../../parts/findings/counted';
import { Changes } from '../../parts/findings/Changes';
import { Findings } from '../../parts/findings/Findings';
import { ProgramAsFile } from '../../parts/plan/ProgramFiles';
import { RungPicker } from '../../parts/rungs/RungPicker';
import { useTeach } from '../../parts/rungs/useRungs';
import { useStyles } from '../../parts/styles/useStyles';
import { useClients } from '../../parts/client/useClients';
import { FitGroup } from './FitGroup';

type Page = Schemas['AuditPage'];
type Sent = Schemas['AuditFixRequest']['program'];

const example = `Monday, after lifting, 15 min
Dead bug 2 x 10 alternating 2-0-2-0, rest 30
Front plank 3 x 30 s, rest 45
Thursday
3 rounds 40:20
Side plank, each side
Bird dog, each side
Glute bridge`;

/** The audit of anybody's program: paste, read, mend with taps. It needs no client. */
export function AuditPage() {
  const styles = useStyles();
  const clients = useClients();
  const [text, setText] = useState('');
  const [style, setStyle] = useState('');
  const [client, setClient] = useState('');
  const [pages, setPages] = useState<Page[]>([]);
  const [at, setAt] = useState(-1);
  const page = pages[at];
  const whose = { ...(style === '' ? {} : { style }), ...(client === '' ? {} : { client }) };

  function show(next: Page, fresh: boolean) {
    const kept = fresh ? [next] : [...pages.slice(0, at + 1), next];
    setPages(kept);
    setAt(kept.length - 1);
  }

  const read = useMutation({
    mutationFn: (program: Sent | null) =>
      answer(api.POST('/audit', { body: program === null ? { text, ...whose } : { program, ...whose } })),
    onSuccess: (next, program) => {
      show(next, program === null);
    },
  });
  const fix = useMutation({
    mutationFn: ({ rule, where }: { rule: string; where: string }) =>
      answer(api.POST('/audit/fix', { body: { program: page?.program as Sent, rule, where, ...whose } })),
    onSuccess: (next) => {
      show(next, false);
    },
  });
  const whole = useMutation({
    mutationFn: (what: 'mend-all' | 'fit') =>
      answer(
        what === 'fit'
          ? api.POST('/audit/fit', { body: { program: page?.program as Sent, ...whose } })
          : api.POST('/audit/mend-all', { body: { program: page?.program as Sent, ...whose } }),
      ),
    onSuccess: (next) => {
      show(next, false);
    },
  });
  const remember = useTeach(() => {
    if (page !== undefined) read.mutate(page.program);
  });
  const busy = read.isPending || fix.isPending || whole.isPending || remember.isPending;
  const problems = read.error instanceof ApiError ? read.error.problem.errors : [];
  const lines = text.split('\n').filter((line) => line.trim() !== '').length;

  return (
    <div className="mx-auto grid max-w-[100rem] grid-cols-[minmax(0,1fr)] gap-6 p-4 lg:grid-cols-[24rem_minmax(0,1fr)]">
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          read.mutate(null);
        }}
      >
        <h1 className="text-2xl font-bold">Audit a program</h1>
        <label className="block font-semibold">
          Paste it: one line an exercise, CSV or JSON
          <textarea
            name="program"
            rows={14}
            spellCheck={false}
            className="mt-0.5 block w-full rounded-md border border-wood bg-card px-2 py-1.5 font-normal"
            placeholder={example}
            value={text}
            onChange={(event) => {
              setText(event.target.value);
            }}
          />
        </label>
        <label className="block font-semibold">
          Or read a file
          <input
            type="file"
            accept=".csv,.json,.txt,text/csv,application/json,text/plain"
            className="mt-0.5 block w-full text-[0.9375rem] font-normal"
            onChange={(event) => {
              void event.target.files?.[0]?.text().then(setText);
            }}
          />
        </label>
        <div className="grid grid-cols-2 gap-3">
          <SelectField
            label="For"
            value={client}
            options={[
              ['', 'nobody yet'],
              ...(clients.data?.clients ?? []).map((each) => [each.id, each.name] as const),
            ]}
            onChange={setClient}
          />
          <SelectField
            label="House style"
            value={style}
            options={[
              ['', 'the usual lines'],
              ...(styles.data?.styles ?? []).map((each) => [each.id, each.name] as const),
            ]}
            onChange={setStyle}
          />
        </div>
        <Button look="act" type="submit" disabled={busy || text.trim() === ''}>
          {read.isPending ? 'Reading …' : 'Check it'}
        </Button>
        {read.isPending && (
          <div role="status">
            <progress className="w-full" aria-label="Reading" />
            <p className="text-faint">Reading {lines.toLocaleString()} lines …</p>
          </div>
        )}
        {read.isError && (
          <div role="alert" className="rounded-md border-l-4 border-warn bg-warn-soft px-3 py-2">
            <p className="font-bold text-warn">
              {problems.length === 0
                ? read.error.message
                : `${problems.length} ${problems.length === 1 ? 'place' : 'places'} cannot be read. Nothing was taken over.`}
            </p>
            <ul className="max-h-72 overflow-y-auto text-[0.9375rem]">
              {problems.map((each) => (
                <li key={each.path + each.message}>
                  <b>{each.path}:</b> {each.message}
                </li>
              ))}
            </ul>
          </div>
        )}
      </form>
      <div className="min-w-0">
        {page === undefined ? (
          <p className="rounded-lg border border-dashed border-line p-6 text-faint">
            What the program really takes, what it forgets, and what would hurt stands here. Nothing is stored.
          </p>
        ) : (
          <>
            <div className="flex flex-wrap items-end gap-3">
              <h2 className="text-xl font-bold">{verdict(page)}</h2>
              <p>
                <b className="text-xl">{page.total.text}</b> <span className="text-faint">min in all</span>
              </p>
              <span className="ml-auto flex flex-wrap gap-2">
                {page.findings.some((each) => each.change !== null) && (
                  <Button
                    disabled={busy}
                    onClick={() => {
                      whole.mutate('mend-all');
                    }}
                  >
                    {whole.isPending && whole.variables === 'mend-all' ? 'Mending …' : 'Mend all'}
                  </Button>
                )}
                <FitGroup program={page.program} />
                {client !== '' && (
                  <Button
                    disabled={busy}
                    onClick={() => {
                      whole.mutate('fit');
                    }}
                  >
                    {whole.isPending && whole.variables === 'fit' ? 'Fitting …' : 'Fit to this person'}
                  </Button>
                )}
                <Button
                  disabled={at <= 0}
                  aria-label="Undo the fix"
                  onClick={() => {
                    setAt(at - 1);
                  }}
                >
                  <Undo2 size={18} aria-hidden />
                </Button>
                <Button
                  disabled={at >= pages.length - 1}
                  aria-label="Redo the fix"
                  onClick={() => {
                    setAt(at + 1);
                  }}
                >
                  <Redo2 size={18} aria-hidden />
                </Button>
              </span>
            </div>
            <p role="alert" className="font-semibold text-warn empty:hidden">
              {fix.error?.message ?? whole.error?.message ?? remember.error?.message}
            </p>
            {page.done !== undefined && <Done done={page.done} />}
            {page.changes !== undefined && (
              <details open className="my-3 rounded-lg border border-line bg-card p-3">
                <summary className="min-h-8 cursor-pointer font-bold">
                  {page.changes.length === 0
                    ? 'All of it fitted as it was.'
                    : `${page.changes.length} ${page.changes.length === 1 ? 'thing' : 'things'} changed to fit; the arrow above takes it back.`}
                </summary>
                <Changes changes={page.changes} />
              </details>
            )}
            {page.unknown.length > 0 && (
              <section aria-label="Names not matched" className="my-3 rounded-lg border border-line bg-card p-3">
                <h3 className="font-bold">Which exercise is meant? What you choose is remembered.</h3>
                <ul>
                  {page.unknown.map((each) => (
                    <li key={each.name} className="flex flex-wrap items-end gap-2 border-t border-line py-2">
                      <b className="min-w-40">
                        “{each.name}” <span className="font-normal text-faint">{each.times} ×</span>
                      </b>
                      {each.suggestions.map((rung) => (
                        <Button
                          key={rung.id}
                          disabled={busy}
                          onClick={() => {
                            remember.mutate({ words: each.name, rung: rung.id });
                          }}
                        >
                          {rung.name}
                        </Button>
                      ))}
                      <div className="min-w-56 flex-1">
                        <RungPicker
                          teaches={false}
                          label={`Find “${each.name}”`}
                          onPick={(rung) => {
                            remember.mutate({ words: each.name, rung: rung.id });
                          }}
                        />
                      </div>
                    </li>
                  ))}
                </ul>
              </section>
            )}
            <Findings
              findings={page.findings}
              busy={busy}
              onFix={(finding) => {
                fix.mutate(finding);
              }}
            />
            <Weeks page={page} />
            <p className="my-3">
              <ProgramAsFile program={page.program} what="The program" />
            </p>
            {client !== '' && <TakeOver client={client} program={page.program} />}
          </>
        )}
      </div>
    </div>
  );
}

function verdict(page: Page): string {
  return page.findings.length === 0 ? 'Nothing found' : counted(page.findings);
}

function Done({ done }: { done: string[] }) {
  return (
    <details open className="my-3 rounded-lg border border-line bg-card p-3">
      <summary className="min-h-8 cursor-pointer font-bold">
        {done.length === 1 ? 'One thing was mended' : `${done.length} things were mended`}; the arrow above takes it
        back.
      </summary>
      <ul className="list-disc pl-5">
        {done.map((each, i) => (
          <li key={i}>{each}</li>
        ))}
      </ul>
    </details>
  );
}

const mostWeeks = 12;

function Weeks({ page }: { page: Page }) {
  return (
    <section aria-label="Coverage" className="mt-4">
      <h3 className="text-lg font-bold">Coverage and honest time</h3>
      {page.weeks.slice(0, mostWeeks).map((week) => (
        <div key={week.number} className="border-t border-line py-1.5">
          <p>
            <b>Week {week.number}</b> <span className="text-faint">{week.total.text} min</span>
            {week.directions.map((each) => (
              <span key={each.code} className={`ml-4 ${each.sessions === 0 ? 'font-semibold text-warn' : ''}`}>
                <Code code={each.code} title={each.name} /> {each.sessions}&nbsp;×, {each.sets} sets, {each.work.text}
              </span>
            ))}
          </p>
          <ul className="flex flex-wrap gap-x-5 text-[0.9375rem]">
            {week.sessions.map((session, i) => (
              <li key={i}>
                {dayNames[session.day]}, {kindNames[session.kind]?.toLowerCase()}: <b>{session.total.text}</b>
                {session.claimed !== null && <span className="text-faint"> of {session.claimed.text} claimed</span>}
                {session.hard && <span className="text-warn"> hard</span>}
              </li>
            ))}
          </ul>
          <AsRead sessions={week.sessions} />
        </div>
      ))}
      {page.weeks.length > mostWeeks && <p className="text-faint">And {page.weeks.length - mostWeeks} weeks more.</p>}
    </section>
  );
}

/** Every line as it was understood, and under it what of it was only kept in words. */
function AsRead({ sessions }: { sessions: Page['weeks'][number]['sessions'] }) {
  const unread = sessions.flatMap((session) => session.lines).filter((line) => line.note !== null).length;
  return (
    <details open={unread > 0}>
      <summary className="min-h-8 cursor-pointer text-[0.9375rem] underline underline-offset-4">
        Line by line, as it was read
        {unread > 0 && `: ${unread} ${unread === 1 ? 'line keeps' : 'lines keep'} something only as a note`}
      </summary>
      {sessions.map((session, i) => (
        <ul key={i} className="pb-1 pl-3 text-[0.9375rem]">
          {session.lines.map((line, l) => (
            <li key={l}>
              {dayNames[session.day]?.slice(0, 3)}: <b>{line.means ?? line.exercise}</b>{' '}
              {line.means !== null && line.means !== line.exercise && (
                <span className="text-faint">for “{line.exercise}” </span>
              )}
              {line.dose}
              {line.note !== null && (
                <span className="block pl-8 text-warn">only kept as a note, not reckoned with: “{line.note}”</span>
              )}
            </li>
          ))}
        </ul>
      ))}
    </details>
  );
}

function TakeOver({ client, program }: { client: string; program: Sent }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: async (insist: string | undefined) => {
      const board = await answer(api.GET('/clients/{client}/board', { params: { path: { client } } }));
      return answer(
        api.POST('/clients/{client}/programs/take', {
          params: { path: { client } },
          body: { version: board.version, program, ...(insist === undefined ? {} : { insist }) },
        }),
      );
    },
    onSuccess: (board) => {
      queries.setQueryData(['board', client], board);
      void queries.invalidateQueries({ queryKey: ['programs', client] });
      void navigate(`/clients/${client}/week`);
    },
  });
  const question = asks(take.error, 'insist');
  return (
    <div className="mt-3 space-y-2">
      <Button
        look="act"
        disabled={take.isPending}
        onClick={() => {
          take.mutate(undefined);
        }}
      >
        Begin this program with the client
      </Button>
      {question !== null && <Insist question={question} busy={take.isPending} onInsist={take.mutate} />}
      <span role="alert" className="ml-3 font-semibold text-warn">
        {question === null ? take.error?.message : null}
      </span>
    </div>
  );
}
