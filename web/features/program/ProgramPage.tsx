import { useState } from 'react';
import { Link } from 'react-router';
import { isConflict, type Schemas } from '../../api/client';
import { longDate } from '../../lib/dates';
import { dayNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { fieldError } from '../../lib/fieldError';
import { SelectField, TextField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { useBoard, useBoardChange, useClientId, useLibrary } from '../../parts/board/useBoard';
import { ProgramFiles } from '../../parts/plan/ProgramFiles';
import { useStyles } from '../../parts/styles/useStyles';
import { Compare } from './Compare';
import { CopyDialog } from './CopyDialog';
import { ProgramCalendar } from './ProgramCalendar';
import { ProgramDays } from './ProgramDays';
import { WeekWishes, type Calendar } from './WeekWishes';
import { usePrograms } from './usePrograms';
import { WeeksTable } from './WeeksTable';
import { beginProgram, nameProgram, openProgram } from './changes';
import { useProgramInUse } from './queries';

/** The program over its weeks: the path expected along each ladder, minutes and shares, and the programs that are kept. */
export function ProgramPage() {
  const client = useClientId();
  const board = useBoard();
  const command = useBoardChange();
  const program = useProgramInUse(client, board.data?.version);
  const numbers = useLibrary().data?.numbers;
  const [typed, setWeeks] = useState<string | null>(null);
  const weeks = typed ?? String(numbers?.usual_weeks ?? '');
  const [changed, setCalendar] = useState<Calendar | null>(null);
  const [planning, setPlanning] = useState(false);
  if (board.data === undefined || program.isPending) return <Waiting what="the program" />;
  if (program.isError) return <Notice title={program.error.message} />;
  const calendar = changed ?? program.data.calendar;
  const stopped = board.data.refer.length > 0;
  const failed = !isConflict(command.error) ? command.error?.message : null;
  return (
    <div className="space-y-6">
      <div className="flex flex-wrap items-end gap-3">
        <div className="min-w-0 flex-1 basis-80">
          <Title key={board.data.title} />
          <p className="text-faint">
            House style: {board.data.style.name}. Planned rungs are expectations; what is really done moves them.
          </p>
        </div>
        <SelectField
          label="Weeks"
          className="w-24"
          value={weeks}
          options={Array.from({ length: numbers?.most_weeks ?? 0 }, (_, i) => [String(i + 1), String(i + 1)] as const)}
          onChange={setWeeks}
        />
        <Button
          look="act"
          disabled={stopped || command.isPending}
          onClick={() => {
            command.mutate(beginProgram(Number(weeks), calendar), {
              onSuccess: () => {
                setCalendar(null);
              },
              onError: () => {
                setPlanning(true);
              },
            });
          }}
        >
          {command.isPending ? 'Planning …' : 'New program'}
        </Button>
        <Button
          aria-expanded={planning}
          onClick={() => {
            setPlanning(!planning);
          }}
        >
          Days and wishes
        </Button>
        <CopyDialog disabled={stopped} />
        {program.data.weeks.length > 0 && <ProgramFiles client={client} what="The program" />}
        <Link
          to="../what-if"
          className="inline-flex min-h-10 items-center px-1 font-semibold underline underline-offset-4"
        >
          What if …
        </Link>
      </div>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {failed}
      </p>
      {planning && (
        <WeekWishes
          calendar={calendar}
          onChange={setCalendar}
          error={isConflict(command.error) ? null : command.error}
        />
      )}
      <ProgramDays />
      {program.data.weeks.length > 0 && <WeeksTable program={program.data} />}
      {program.data.weeks.length > 0 && (
        <ProgramCalendar
          client={client}
          days={trainingDays(board.data.week)}
          isDated={board.data.week_days[0]?.from !== null}
        />
      )}
      <Kept />
      <Compare />
    </div>
  );
}

/** The days on which a week has sessions, from Monday on. */
function trainingDays(week: Schemas['Board']['week']): string[] {
  const days = new Set<string>(week?.sessions.map((session) => session.day));
  return Object.keys(dayNames).filter((day) => days.has(day));
}

/** The name of the program in use, and another one. */
function Title() {
  const board = useBoard();
  const command = useBoardChange();
  const programs = usePrograms();
  const current = programs.data?.programs.find((each) => each.current);
  const [name, setName] = useState<string | null>(null);
  const title = board.data?.title ?? null;
  if (current === undefined || title === null) {
    return <h2 className="text-xl font-bold">{title ?? 'No program yet'}</h2>;
  }
  const failed = !isConflict(command.error) ? command.error : null;
  return name === null ? (
    <h2 className="text-xl font-bold">
      {title}{' '}
      <Button
        look="quiet"
        onClick={() => {
          setName(title);
        }}
      >
        Rename
      </Button>
    </h2>
  ) : (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        command.mutate(nameProgram(current.id, name));
      }}
    >
      <TextField
        label="Name of the program"
        className="w-80"
        value={name}
        onChange={setName}
        error={fieldError(failed, '/name')}
      />
      <Button look="act" type="submit" disabled={command.isPending || name.trim() === ''}>
        Save the name
      </Button>
      <Button
        look="quiet"
        onClick={() => {
          setName(null);
        }}
      >
        Cancel
      </Button>
    </form>
  );
}

function Kept() {
  const board = useBoard();
  const command = useBoardChange();
  const programs = usePrograms();
  const styles = useStyles();
  const name = (style: string | null) => styles.data?.styles.find((each) => each.id === style)?.name ?? style ?? '';
  if (programs.data === undefined || programs.data.programs.length === 0) return null;
  return (
    <section aria-label="Programs">
      <h2 className="text-xl font-bold">Programs</h2>
      <ul>
        {programs.data.programs.map((each: Schemas['ProgramList']['programs'][number]) => (
          <li key={each.id} className="flex min-h-11 flex-wrap items-center gap-x-4 border-t border-line py-1">
            <b>{each.title}</b>
            <span className="text-faint">
              {each.weeks} {each.weeks === 1 ? 'week' : 'weeks'}, {name(each.style)}, {longDate(each.began)}
              {each.ends === null ? '' : ` to ${longDate(each.ends)}`}
            </span>
            {each.current ? (
              <span className="ml-auto font-semibold">in use</span>
            ) : (
              <Button
                className="ml-auto"
                disabled={command.isPending || (board.data?.refer.length ?? 0) > 0}
                onClick={() => {
                  command.mutate(openProgram(each.id));
                }}
              >
                Use again
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
