import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api, isConflict, type Schemas } from '../../api/client';
import { dayNames } from '../../app/words';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { SelectField, Tick } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { useBoard, useBoardCommand, useClientId, useLibrary, type Board } from '../board/useBoard';
import { Shares } from '../week/Week';

type Days = NonNullable<Schemas['WhatIfRequest']['days']>;
type Limits = NonNullable<Schemas['WhatIfRequest']['limits']>;

/** The week as it is beside the week as it would be with another style, other minutes or more limits. Nothing is saved. */
export function WhatIf() {
  const client = useClientId();
  const board = useBoard();
  const library = useLibrary();
  const styles = useQuery({ queryKey: ['styles'], queryFn: () => answer(api.GET('/styles')), staleTime: Infinity });
  const command = useBoardCommand();
  const navigate = useNavigate();
  const [style, setStyle] = useState<string | null>(null);
  const [days, setDays] = useState<Days | null>(null);
  const [limits, setLimits] = useState<Limits>([]);
  const wishes = { ...(style === null ? {} : { style }), ...(days === null ? {} : { days }), limits };
  const asked = style !== null || days !== null || limits.length > 0;
  const then = useQuery({
    queryKey: ['what-if', client, board.data?.version, wishes],
    queryFn: () => answer(api.POST('/clients/{client}/what-if', { params: { path: { client } }, body: wishes })),
    enabled: asked,
    placeholderData: (before) => before,
    retry: false,
  });
  if (board.data === undefined || library.data === undefined || styles.data === undefined)
    return <Waiting what="the week" />;
  const known = new Set(board.data.client.limits.map((limit) => limit.id));
  const minutes = days ?? board.data.client.days;
  const chosen = styles.data.styles.find((each) => each.id === (style ?? board.data.style.id));
  return (
    <div className="grid gap-4 lg:grid-cols-[18rem_minmax(0,1fr)]">
      <div className="space-y-4">
        <h2 className="text-xl font-bold">What if …</h2>
        <SelectField
          label="House style"
          value={style ?? board.data.style.id}
          options={styles.data.styles.map((each) => [each.id, each.name] as const)}
          onChange={(id) => {
            setStyle(id === board.data.style.id ? null : id);
          }}
        />
        {chosen !== undefined && <Choices style={chosen} />}
        <fieldset>
          <legend className="font-semibold">Minutes a day</legend>
          <div className="grid grid-cols-4 gap-2">
            {Object.entries(dayNames).map(([day, name]) => (
              <label key={day} className="text-sm">
                {name.slice(0, 3)}
                <input
                  type="number"
                  min={0}
                  max={240}
                  step={5}
                  aria-label={`Minutes on ${name}`}
                  className="block w-full rounded-md border border-wood bg-card px-1 py-1.5 text-base"
                  value={minutes[day as keyof Days] ?? 0}
                  onChange={(event) => {
                    setDays({ ...minutes, [day]: Math.max(0, Math.round(Number(event.target.value))) });
                  }}
                />
              </label>
            ))}
          </div>
        </fieldset>
        <fieldset>
          <legend className="font-semibold">Sore as well</legend>
          {library.data.library.limits
            .filter((limit) => limit.kind === 'soreness' && !known.has(limit.id))
            .map((limit) => (
              <Tick
                key={limit.id}
                label={limit.name}
                checked={limits.includes(limit.id)}
                onChange={(on) => {
                  const id = limit.id;
                  setLimits(on ? [...limits, id] : limits.filter((each) => each !== id));
                }}
              />
            ))}
        </fieldset>
        <div className="space-y-2">
          {style !== null && (
            <Button
              look="act"
              disabled={command.isPending}
              onClick={() => {
                command.mutate({ do: 'follow', style }, { onSuccess: () => void navigate('../week') });
              }}
            >
              Follow {chosen?.name} from now on
            </Button>
          )}
          <p role="alert" className="font-semibold text-warn empty:hidden">
            {isConflict(command.error) ? null : command.error?.message}
          </p>
          <p className="text-sm text-faint">
            Nothing here is saved. Minutes and limits are changed{' '}
            <Link to={`/clients/${client}/edit`} className="underline">
              with the client
            </Link>
            .
          </p>
        </div>
      </div>
      <div>
        {then.isError && <Notice title={then.error.message} />}
        <div className="grid gap-4 xl:grid-cols-2">
          <Side title="The week now" board={board.data} other={null} />
          {asked && then.data !== undefined && !then.isError ? (
            <Side title="The week then" board={then.data} other={board.data} />
          ) : (
            <p className="rounded-lg border border-dashed border-line p-4 text-faint">
              Change the style, the minutes or a limit, and the week as it would be stands here.
            </p>
          )}
        </div>
      </div>
    </div>
  );
}

function Choices({ style }: { style: Schemas['StyleList']['styles'][number] }) {
  return (
    <div>
      <p className="text-[15px]">{style.summary}</p>
      <details>
        <summary className="min-h-8 cursor-pointer font-semibold">What it answers, and why</summary>
        <dl className="text-[15px]">
          {style.choices.map((choice) => (
            <div key={choice.question} className="border-t border-line py-1">
              <dt className="font-semibold">{choice.question}</dt>
              <dd>
                {choice.answer}. {choice.reason} <span className="text-faint">({choice.ground})</span>
                <span className="block text-faint">The other side: {choice.other_side}</span>
              </dd>
            </div>
          ))}
        </dl>
      </details>
    </div>
  );
}

/** One week in short; what the other one does not have is marked. */
function Side({ title, board, other }: { title: string; board: Board; other: Board | null }) {
  const { week } = board;
  const entries = (of: Board, day: string) =>
    of.week?.sessions
      .filter((session) => session.day === day)
      .flatMap((session) =>
        session.blocks.flatMap((block) => block.entries.map((entry) => `${entry.exercise} ${entry.dose}`)),
      ) ?? [];
  return (
    <section aria-label={title} className="min-w-0 rounded-lg border border-line bg-card p-3">
      <h3 className="mb-2 flex items-baseline gap-3 text-lg font-bold">
        {title}
        <span className="text-base font-normal text-faint">{board.style.name}</span>
        <span className="ml-auto">{week?.total.text ?? '0:00'} min</span>
      </h3>
      {week !== null && <Shares directions={week.directions} />}
      {week?.gaps.map((gap) => (
        <p key={gap.category} className="mt-1 text-[15px] text-warn">
          <b>{gap.name}:</b> {gap.why}
        </p>
      ))}
      {week?.sessions.map((session) => {
        const before = other === null ? null : new Set(entries(other, session.day));
        return (
          <div key={session.day} className="mt-2">
            <h4 className="flex border-b border-line font-semibold">
              {dayNames[session.day]} <span className="ml-auto">{session.total.text}</span>
            </h4>
            <ul className="text-[15px]">
              {session.blocks.flatMap((block, b) =>
                block.entries.map((entry, e) => {
                  const fresh = before !== null && !before.has(`${entry.exercise} ${entry.dose}`);
                  return (
                    <li key={`${b} ${e}`} className="flex items-start gap-2 py-0.5">
                      <Code code={entry.category ?? '–'} />
                      <span className={`flex-1 ${fresh ? 'font-bold' : ''}`}>
                        {fresh && <span className="sr-only">new: </span>}
                        {entry.name}
                      </span>
                      <span className={fresh ? 'font-bold' : 'text-faint'}>{entry.dose}</span>
                    </li>
                  );
                }),
              )}
            </ul>
          </div>
        );
      })}
    </section>
  );
}
