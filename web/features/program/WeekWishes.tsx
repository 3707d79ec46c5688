import { weekDays } from '../../lib/dates';
import { type Schemas } from '../../api/client';
import { dayNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { SelectField, TextField, Tick, toggled } from '../../ui/Field';
import { useBoard, useClientId, useLibrary } from '../../parts/board/useBoard';
import { fieldError } from '../../lib/fieldError';
import { useBestWeek } from './queries';

export type Calendar = Pick<Schemas['NewProgramRequest'], 'away' | 'matches' | 'wished'>;
type Use = NonNullable<NonNullable<Calendar['wished']>['mon']>;
type Wished = NonNullable<Calendar['wished']>;
type Away = NonNullable<Calendar['away']>[number];

const uses: [Use, string][] = [
  ['hard', 'a hard session'],
  ['light', 'a light session'],
  ['switch-on', 'a switch-on'],
  ['finisher', 'a finisher'],
  ['free', 'no session'],
];

interface Props {
  calendar: Calendar;
  onChange: (calendar: Calendar) => void;
}

/** Wishes for the days: the best week under them with its reasons, the wish that has to give, weeks away and matches. */
export function WeekWishes({ calendar, onChange, error }: Props & { error: Error | null }) {
  const client = useClientId();
  const board = useBoard();
  const wished: Wished = calendar.wished ?? {};
  const best = useBestWeek(client, board.data?.version, calendar);
  return (
    <div className="space-y-4 rounded-lg border border-line bg-card p-4">
      <section aria-label="Best week">
        <h3 className="text-lg font-bold">The week’s days</h3>
        <ul className="grid grid-cols-2 gap-2 sm:grid-cols-4 xl:grid-cols-7">
          {best.data?.days.map((day) => (
            <li key={day.day} data-day={day.day} data-use={day.use} className="rounded-md border border-line p-2">
              <b>{dayNames[day.day]}</b> <span className="text-sm text-faint">{day.minutes} min</span>
              <span
                className={`block leading-tight ${day.use === 'hard' ? 'font-bold' : day.use === 'free' ? 'text-faint' : ''}`}
              >
                {day.words}
              </span>
              <SelectField
                label={<span className="text-sm font-normal">Wish</span>}
                value={wished[day.day] ?? ''}
                options={[['', 'none'], ...uses]}
                onChange={(use) => {
                  const others = Object.fromEntries(Object.entries(wished).filter(([key]) => key !== day.day));
                  onChange({ ...calendar, wished: use === '' ? others : { ...others, [day.day]: use as Use } });
                }}
              />
            </li>
          ))}
        </ul>
        {best.data?.given_up.map((line) => (
          <p key={line} className="mt-1 text-warn">
            <b>Not possible beside the others:</b> {line}
          </p>
        ))}
        {best.data !== undefined && (
          <p className="mt-1 text-sm text-faint">
            No other use of the days costs less than {best.data.cost}
            {best.data.parts.length === 0
              ? '.'
              : `: ${best.data.parts.map((part) => `${part.what} ${part.cost}`).join(', ')}.`}
          </p>
        )}
        <p role="alert" className="font-semibold text-warn empty:hidden">
          {best.error?.message}
        </p>
      </section>
      <Matches calendar={calendar} onChange={onChange} error={error} />
      <AwayWeeks calendar={calendar} onChange={onChange} error={error} />
    </div>
  );
}

function Matches({ calendar, onChange, error }: Props & { error: Error | null }) {
  const matches = calendar.matches ?? [];
  return (
    <section aria-label="Matches">
      <h3 className="text-lg font-bold">Match days</h3>
      {matches.map((match, i) => (
        <div key={i} className="mb-1 flex items-end gap-2">
          <TextField
            label="Week"
            type="number"
            className="w-20"
            value={String(match.week)}
            error={fieldError(error, `/matches/${i}/week`)}
            onChange={(text) => {
              onChange({
                ...calendar,
                matches: matches.map((old, k) => (k === i ? { ...old, week: Number(text) } : old)),
              });
            }}
          />
          <SelectField
            label="Day"
            className="w-40"
            value={match.day}
            error={fieldError(error, `/matches/${i}/day`)}
            options={weekDays().map((day) => [day, dayNames[day] ?? day] as const)}
            onChange={(day) => {
              onChange({
                ...calendar,
                matches: matches.map((old, k) => (k === i ? { ...old, day: day as typeof match.day } : old)),
              });
            }}
          />
          <Button
            look="quiet"
            aria-label={`Remove match ${i + 1}`}
            onClick={() => {
              onChange({ ...calendar, matches: matches.filter((_, k) => k !== i) });
            }}
          >
            ✕
          </Button>
        </div>
      ))}
      <Button
        onClick={() => {
          onChange({ ...calendar, matches: [...matches, { week: 1, day: 'sat' }] });
        }}
      >
        Add a match
      </Button>
    </section>
  );
}

function AwayWeeks({ calendar, onChange, error }: Props & { error: Error | null }) {
  const library = useLibrary();
  const away = calendar.away ?? [];
  const change = (i: number, next: Away) => {
    onChange({ ...calendar, away: away.map((old, k) => (k === i ? next : old)) });
  };
  return (
    <section aria-label="Weeks away">
      <h3 className="text-lg font-bold">Weeks away</h3>
      {away.map((week, i) => (
        <div key={i} className="mb-2 rounded-md border border-line p-2">
          <div className="flex flex-wrap items-end gap-2">
            <TextField
              label="Week"
              type="number"
              className="w-20"
              value={String(week.week)}
              error={fieldError(error, `/away/${i}/week`)}
              onChange={(text) => {
                change(i, { ...week, week: Number(text) });
              }}
            />
            {weekDays()
              .map((day) => [day, dayNames[day] ?? day] as const)
              .map(([day, name]) => (
                <TextField
                  key={day}
                  label={name.slice(0, 3)}
                  unit="min"
                  type="number"
                  className="w-20"
                  value={String(week.days[day] ?? '')}
                  onChange={(text) => {
                    const others = Object.fromEntries(Object.entries(week.days).filter(([key]) => key !== day));
                    change(i, { ...week, days: text === '' ? others : { ...others, [day]: Number(text) } });
                  }}
                />
              ))}
            <Button
              look="quiet"
              aria-label={`Remove week away ${i + 1}`}
              onClick={() => {
                onChange({ ...calendar, away: away.filter((_, k) => k !== i) });
              }}
            >
              ✕
            </Button>
          </div>
          <div className="flex flex-wrap gap-x-4">
            {library.data?.library.equipment.map((kit) => {
              const id = kit.id as Away['equipment'][number];
              return (
                <Tick
                  key={kit.id}
                  label={kit.name}
                  checked={week.equipment.includes(id)}
                  onChange={(on) => {
                    change(i, { ...week, equipment: toggled(week.equipment, id, on) });
                  }}
                />
              );
            })}
          </div>
        </div>
      ))}
      <Button
        onClick={() => {
          onChange({ ...calendar, away: [...away, { week: 1, days: { mon: 10, thu: 10 }, equipment: [] }] });
        }}
      >
        Add a week away
      </Button>
    </section>
  );
}
