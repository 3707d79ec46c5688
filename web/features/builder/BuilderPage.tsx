import { weekDays } from '../../lib/dates';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Redo2, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { answer, api, ApiError, asks, isConflict } from '../../api/client';
import { dayNames, kindNames } from '../../lib/words';
import { Preparation } from '../../parts/week/Preparation';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/Field';
import { Insist } from '../../ui/Insist';
import { Notice, Waiting } from '../../ui/Notice';
import { ProgramAsFile } from '../../parts/plan/ProgramFiles';
import { useBoard, useBoardChange, useClientId } from '../../parts/board/useBoard';
import { WhyNotDialog } from '../../parts/whynot/WhyNotDialog';
import { RungPicker } from '../../parts/rungs/RungPicker';
import { Blocks, LineEdit } from './Blocks';
import { Findings } from '../../parts/findings/Findings';
import { Changes } from '../../parts/findings/Changes';
import { useFitSession, type Fitted } from './fit';
import { ReadySessions, useReady } from './ReadySessions';
import { Ribbon } from './Ribbon';
import { addRest, asProgram, emptySession, received, sent, type Session } from './session';
import { useBuilder } from './useBuilder';
import { saveSession } from './changes';
import { useSessionFound, useTemplates } from './queries';

/** Builds a session: of a client's week, or one that belongs to nobody yet. */
export function BuilderPage() {
  const client = useClientId();
  const [search] = useSearchParams();
  const week = Number(search.get('week') ?? 1);
  const place = search.get('place') === null ? null : Number(search.get('place'));
  const found = useSessionFound(client, week, place);
  if (client !== '' && place !== null) {
    if (found.isError) return <Notice title={found.error.message} />;
    if (found.data === undefined) return <Waiting what="the session" />;
    return <Builder start={received(found.data.session)} client={client} week={week} place={place} />;
  }
  return (
    <div className={client === '' ? 'mx-auto max-w-[90rem] p-4' : ''}>
      <Builder start={emptySession} client={client === '' ? null : client} week={week} place={null} />
    </div>
  );
}

function Builder({
  start,
  client,
  week,
  place,
}: {
  start: Session;
  client: string | null;
  week: number;
  place: number | null;
}) {
  const tools = useBuilder(start, client, `${client ?? 'anyone'} ${week} ${place ?? 'new'}`);
  const { session, built } = tools;
  const data = built.data;
  const switchOn = useReady(client ?? undefined, session.day, (ready) => {
    tools.set({ ...session, blocks: [...ready.blocks, ...session.blocks] });
  });
  if (data === undefined && !built.isError) return <Waiting what="the session" />;
  return (
    <div>
      <Head tools={tools} client={client} week={week} place={place} />
      {built.isError && <Notice title={built.error.message} />}
      {data !== undefined && <Ribbon built={data} />}
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 xl:grid-cols-[minmax(0,1fr)_26rem]">
        <div>
          {data !== undefined && <Blocks tools={tools} blocks={data.blocks} />}
          <div className="mt-4 flex flex-wrap items-end gap-3">
            <div className="min-w-64 flex-1">
              <RungPicker
                label="Add a block with"
                onPick={(rung) => {
                  tools.change.mutate({ do: 'add', block: session.blocks.length, exercise: rung.id });
                }}
              />
            </div>
            {client !== null && <WhyNotDialog label="Why is it not in …" />}
            <Button
              disabled={switchOn.isPending}
              onClick={() => {
                switchOn.mutate('wake-before-lifting');
              }}
            >
              Add a switch-on
            </Button>
            <Button
              disabled={session.blocks.length === 0}
              onClick={() => {
                tools.set(addRest(session));
              }}
            >
              Add a rest
            </Button>
          </div>
          <p role="alert" className="font-semibold text-warn empty:hidden">
            {switchOn.error?.message}
          </p>
          <PasteLines tools={tools} />
        </div>
        <aside className="space-y-4">
          <Times tools={tools} />
          {data !== undefined && (
            <div className="empty:hidden">
              <Preparation what="Warm-up" part={data.warm_up} />
              <Preparation what="Cool-down" part={data.cool_down} />
            </div>
          )}
          {data !== undefined && data.over && (
            <section aria-label="Make it fit">
              <h2 className="text-lg font-bold">Make it fit</h2>
              <ul>
                {data.cuts.map((cut) => (
                  <li key={cut.what} className="flex items-center gap-3 border-t border-line py-1.5">
                    <span className="min-w-0 flex-1 leading-tight">
                      <b>{cut.what}</b>
                      <span className="block text-sm text-faint">
                        gives {cut.saves.text}, costs {cut.costs}
                      </span>
                    </span>
                    <Button
                      aria-label={`Cut: ${cut.what}`}
                      onClick={() => {
                        tools.set(received(cut.session));
                      }}
                    >
                      Cut
                    </Button>
                  </li>
                ))}
              </ul>
            </section>
          )}
          {data !== undefined && data.findings.length > 0 && (
            <section aria-label="Findings">
              <h2 className="text-lg font-bold">What an audit finds</h2>
              <Findings
                findings={data.findings}
                busy={tools.change.isPending}
                onFix={(finding) => {
                  tools.change.mutate({ do: 'fix', rule: finding.rule, where: finding.where });
                }}
              />
            </section>
          )}
          {client !== null && <FitSession client={client} tools={tools} />}
          <ReadySessions
            client={client ?? undefined}
            day={session.day}
            onReady={(ready) => {
              tools.set(ready);
            }}
          />
          <Templates tools={tools} />
        </aside>
      </div>
    </div>
  );
}

/** Lines as they are jotted down, read into the session. */
function PasteLines({ tools }: { tools: ReturnType<typeof useBuilder> }) {
  const [text, setText] = useState('');
  const { change } = tools;
  const failed = change.isError && change.variables.do === 'paste' ? change.error : null;
  const problems = failed instanceof ApiError ? failed.problem.errors : [];
  return (
    <details className="mt-4 rounded-lg border border-line bg-card px-3 py-1.5">
      <summary className="min-h-8 cursor-pointer font-semibold">Paste lines</summary>
      <form
        className="space-y-2 pb-2"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate(
            { do: 'paste', lines: text },
            {
              onSuccess: () => {
                setText('');
              },
            },
          );
        }}
      >
        <label className="block">
          One line an exercise, the name before the dose
          <textarea
            name="lines"
            rows={6}
            spellCheck={false}
            className="mt-0.5 block w-full rounded-md border border-wood bg-paper px-2 py-1.5"
            placeholder={'3 rounds 40:20\nBird dog\nSide plank'}
            value={text}
            onChange={(event) => {
              setText(event.target.value);
            }}
          />
        </label>
        <Button look="act" type="submit" disabled={change.isPending || text.trim() === ''}>
          Put them in
        </Button>
        {failed !== null && (
          <ul role="alert" className="font-semibold text-warn">
            {problems.length === 0 ? (
              <li>{failed.message}</li>
            ) : (
              problems.map((each) => (
                <li key={each.path + each.message}>
                  {each.path}: {each.message}
                </li>
              ))
            )}
          </ul>
        )}
      </form>
    </details>
  );
}

function Head({
  tools,
  client,
  week,
  place,
}: {
  tools: ReturnType<typeof useBuilder>;
  client: string | null;
  week: number;
  place: number | null;
}) {
  const command = useBoardChange();
  const board = useBoard();
  const navigate = useNavigate();
  const data = tools.built.data;
  const question = asks(command.error, 'insist');
  const save = (insist?: string) => {
    command.mutate(saveSession(week, place, sent(tools.session), insist), {
      onSuccess: () => {
        tools.drop();
        void navigate(`../week?week=${week}`);
      },
    });
  };
  return (
    <div className="flex flex-wrap items-end gap-3">
      <h1 className={client === null ? 'text-2xl font-bold' : 'text-xl font-bold'}>
        {place === null ? 'Build a session' : `Session of week ${week}`}
      </h1>
      <p aria-live="polite" className="text-right">
        <b className={`text-3xl ${data?.over === true ? 'text-warn' : ''}`} data-builder-total>
          {data?.total.text ?? '0:00'}
        </b>{' '}
        {data?.budget !== null && data?.budget !== undefined && (
          <span className="text-faint">of {data.budget.text} min</span>
        )}
        {data?.over === true && <b className="text-warn"> over</b>}
      </p>
      <div className="ml-auto flex flex-wrap gap-2">
        <Button disabled={tools.undo === null} aria-label="Undo the last step" onClick={() => tools.undo?.()}>
          <Undo2 size={18} aria-hidden />
        </Button>
        <Button disabled={tools.redo === null} aria-label="Redo the step" onClick={() => tools.redo?.()}>
          <Redo2 size={18} aria-hidden />
        </Button>
        {client !== null && (
          <Button
            look="act"
            disabled={command.isPending || tools.session.blocks.length === 0 || board.data?.week === null}
            onClick={() => {
              save();
            }}
          >
            {command.isPending ? 'Saving …' : 'Save into the week'}
          </Button>
        )}
      </div>
      {tools.session.blocks.length > 0 && <ProgramAsFile program={asProgram(tools.session)} what="The session" />}
      {question !== null && <Insist question={question} busy={command.isPending} onInsist={save} />}
      <p role="alert" className="w-full font-semibold text-warn empty:hidden">
        {isConflict(command.error) || question !== null ? null : command.error?.message}
        {tools.change.isError && !['dose', 'rounds', 'claimed', 'paste'].includes(tools.change.variables.do)
          ? tools.change.error.message
          : null}
      </p>
    </div>
  );
}

/** Whole seconds, none where nothing was typed. */
function bounded(text: string, most: number): number {
  return Math.max(0, Math.min(most, Math.round(Number(text) || 0)));
}

function Times({ tools }: { tools: ReturnType<typeof useBuilder> }) {
  const { session } = tools;
  const seconds = (key: 'warm_up_s' | 'cool_down_s', label: string) => (
    <TextField
      label={label}
      unit="s"
      type="number"
      className="w-36"
      value={String(session[key] ?? 0)}
      onChange={(text) => {
        // moves of another length would not fill the new one
        tools.set({
          ...session,
          [key]: bounded(text, 7200),
          [key === 'warm_up_s' ? 'warm_up' : 'cool_down']: undefined,
        });
      }}
    />
  );
  const change = (key: 'side_s' | 'station_s', label: string) => (
    <TextField
      label={label}
      unit="s"
      type="number"
      className="w-44"
      value={String(session.change?.[key] ?? 0)}
      onChange={(text) => {
        const change = { side_s: 0, station_s: 0, ...session.change, [key]: bounded(text, 3600) };
        tools.set({ ...session, change });
      }}
    />
  );
  return (
    <section aria-label="Frame" className="flex flex-wrap gap-3 rounded-lg border border-line bg-card p-3">
      <SelectField
        label="Day"
        className="w-36"
        value={session.day}
        options={weekDays().map((day) => [day, dayNames[day] ?? day] as const)}
        onChange={(day) => {
          tools.set({ ...session, day: day as Session['day'] });
        }}
      />
      <SelectField
        label="Kind"
        className="min-w-40 flex-1"
        value={session.kind}
        options={Object.entries(kindNames)}
        onChange={(kind) => {
          tools.set({ ...session, kind: kind as Session['kind'] });
        }}
      />
      {seconds('warm_up_s', 'Warm-up')}
      {seconds('cool_down_s', 'Cool-down')}
      <div className="w-44">
        <p className="font-semibold">Minutes it should take</p>
        <LineEdit
          label="Minutes it should take"
          text={tools.built.data?.claimed?.text ?? 'not said'}
          start={tools.built.data?.claimed?.text ?? ''}
          hint="20, or 17:30; empty where nobody says"
          tools={tools}
          onSave={(text, done) => {
            tools.change.mutate({ do: 'claimed', text }, { onSuccess: done });
          }}
        />
      </div>
      {change('station_s', 'Change of station')}
      {change('side_s', 'Change of side')}
    </section>
  );
}

/** The session as it stands, anyone's or a template's, on the client's own rungs. */
function FitSession({ client, tools }: { client: string; tools: ReturnType<typeof useBuilder> }) {
  const [fitted, setFitted] = useState<Fitted | null>(null);
  const fit = useFitSession(client, (made) => {
    setFitted(made);
    tools.set(made.session);
  });
  return (
    <section aria-label="Fit to this person">
      <Button
        disabled={fit.isPending || tools.session.blocks.length === 0}
        onClick={() => {
          fit.mutate(tools.session);
        }}
      >
        {fit.isPending ? 'Fitting …' : 'Fit to this person'}
      </Button>
      {fitted !== null && fitted.session === tools.session && (
        <>
          <p className="mt-1">
            {fitted.changes.length === 0
              ? 'All of it fitted as it was.'
              : `${fitted.changes.length} ${fitted.changes.length === 1 ? 'thing' : 'things'} changed; Undo takes it back.`}
          </p>
          <Changes changes={fitted.changes} />
        </>
      )}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {fit.error?.message}
      </p>
    </section>
  );
}

function Templates({ tools }: { tools: ReturnType<typeof useBuilder> }) {
  const queries = useQueryClient();
  const templates = useTemplates();
  const [name, setName] = useState('');
  const took = (list: NonNullable<typeof templates.data>) => {
    queries.setQueryData(['templates'], list);
  };
  const keep = useMutation({
    mutationFn: () => answer(api.POST('/templates', { body: { name, session: sent(tools.session) } })),
    onSuccess: (list) => {
      took(list);
      setName('');
    },
  });
  const remove = useMutation({
    mutationFn: (template: number) =>
      answer(api.POST('/templates/{template}/remove', { params: { path: { template } } })),
    onSuccess: took,
  });
  return (
    <section aria-label="Templates">
      <h2 className="text-lg font-bold">Templates</h2>
      <ul>
        {templates.data?.templates.map((each) => (
          <li key={each.id} className="flex items-center gap-2 border-t border-line py-1">
            <b className="min-w-0 flex-1">{each.name}</b>
            <Button
              aria-label={`Use ${each.name}`}
              onClick={() => {
                tools.set({ ...received(each.session), day: tools.session.day });
              }}
            >
              Use
            </Button>
            <Button
              look="quiet"
              aria-label={`Remove ${each.name}`}
              onClick={() => {
                remove.mutate(each.id);
              }}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <form
        className="mt-1 flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          keep.mutate();
        }}
      >
        <TextField label="Keep this session as" value={name} onChange={setName} className="flex-1" />
        <Button type="submit" disabled={keep.isPending || name.trim() === '' || tools.session.blocks.length === 0}>
          Keep
        </Button>
      </form>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {keep.error?.message ?? remove.error?.message}
      </p>
    </section>
  );
}
