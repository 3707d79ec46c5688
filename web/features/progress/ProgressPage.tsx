import { Printer } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { longDate, today } from '../../lib/dates';
import { useMe } from '../../lib/session';
import { Button } from '../../ui/Button';
import { Empty } from '../../ui/Empty';
import { SelectField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { Tabs } from '../../ui/Tabs';
import { useBoard, useClientId } from '../../parts/board/useBoard';
import { Dose, Path, Sides } from './LadderCharts';
import { Levels } from './Levels';
import { Lines } from './Lines';
import { useProgress, type Months, type Progress } from './queries';
import { Holds } from './Holds';
import { Load, Work } from './Weeks';

const spans = [
  ['3', 'Three months'],
  ['6', 'Half a year'],
  ['12', 'A year'],
] as const;

type Span = (typeof spans)[number][0];

/** What became of a client, in pictures with their numbers, and on one sheet of paper. */
export function ProgressPage() {
  const client = useClientId();
  const [search, setSearch] = useSearchParams();
  const span: Span = spans.find(([id]) => id === search.get('months'))?.[0] ?? '6';
  const progress = useProgress(client, Number(span) as Months);
  if (progress.isError && progress.data === undefined) return <Notice title={progress.error.message} />;
  if (progress.data === undefined) return <Waiting what="the pictures" />;
  const data = progress.data;
  return (
    <div className="space-y-6 print:space-y-2" data-one-page>
      <div className="flex flex-wrap items-center gap-3 print:hidden">
        <Tabs
          label="How far back"
          tabs={spans}
          shown={span}
          onShow={(months) => {
            setSearch({ ...Object.fromEntries(search), months }, { replace: true });
          }}
        />
        <Button
          className="ml-auto"
          onClick={() => {
            window.print();
          }}
        >
          <Printer size={18} aria-hidden /> Print on one page
        </Button>
      </div>
      <Head data={data} />
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-2 print:grid-cols-2 print:gap-2">
        <Card>
          <Levels data={data} />
        </Card>
        <Card>
          <Work data={data} />
        </Card>
        <OneLadder data={data} />
        <Card>
          <Load data={data} />
        </Card>
        <Card>
          <Holds data={data} />
        </Card>
      </div>
      <Lines client={client} />
      <p className="text-sm text-faint">
        What was logged and measured, not a diagnosis. A reading inside the noise of its test says nothing yet.
      </p>
    </div>
  );
}

function Card({ children }: { children: ReactNode }) {
  return (
    <section className="min-w-0 rounded-lg border border-line bg-card p-4 print:break-inside-avoid print:p-2">
      {children}
    </section>
  );
}

/** Whose picture it is: on paper nothing else says so. */
function Head({ data }: { data: Progress }) {
  const me = useMe();
  const board = useBoard();
  return (
    <p className="hidden border-b-2 border-ink pb-1 text-base print:block">
      <b>{board.data?.client.name}</b>, {longDate(data.from)} to {longDate(data.to)}. {me.data?.studio}, printed{' '}
      {longDate(today())}.
    </p>
  );
}

/** The way up one ladder, what was asked and done on its rung, and left against right. */
function OneLadder({ data }: { data: Progress }) {
  const most = [...data.ladders].sort((a, b) => b.sessions.length - a.sessions.length)[0];
  const [chosen, setChosen] = useState<string | null>(null);
  const ladder = data.ladders.find((each) => each.id === chosen) ?? most;
  if (ladder === undefined) {
    return (
      <Card>
        <h2 className="font-bold">The way up a ladder</h2>
        <Empty>No ladder is trained yet. Plan the weeks, and log a session.</Empty>
      </Card>
    );
  }
  const sided = ladder.sessions.some((each) => each.rung === ladder.rung && each.percent !== null);
  return (
    <>
      <Card>
        <div className="mb-2 max-w-80 print:hidden">
          <SelectField
            label="Ladder"
            value={ladder.id}
            onChange={setChosen}
            options={data.ladders.map((each) => [each.id, each.name] as const)}
          />
        </div>
        <Path data={data} ladder={ladder} />
      </Card>
      <Card>
        {ladder.sessions.some((each) => each.rung === ladder.rung) ? (
          <Dose data={data} ladder={ladder} />
        ) : (
          <>
            <h2 className="font-bold">Dose on the rung: {ladder.rung_name}</h2>
            <Empty>No session is logged on this rung yet.</Empty>
          </>
        )}
      </Card>
      <Card>
        {sided ? (
          <Sides data={data} ladder={ladder} />
        ) : (
          <>
            <h2 className="font-bold">Left against right: {ladder.rung_name}</h2>
            <Empty>No session with both sides counted was logged on this rung.</Empty>
          </>
        )}
      </Card>
    </>
  );
}
