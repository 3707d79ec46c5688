import { Flag, FlagOff } from 'lucide-react';
import { Link, useNavigate, useParams } from 'react-router';
import { type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { Still } from '../../ui/Figure';
import { Notice, Waiting } from '../../ui/Notice';
import { useBoardChange, useClientId, useBoard } from '../../parts/board/useBoard';
import { RungPicker } from '../../parts/rungs/RungPicker';
import { Why } from '../../ui/Why';
import { useFigures } from '../../parts/rungs/useRungs';
import { aimAt } from './changes';
import { WhyNot } from '../../parts/whynot/WhyNot';
import { useRoad } from './queries';

type Road = Schemas['Road'];

const answers: Record<Road['answer'], string> = {
  here: 'Already there.',
  next: 'Yes: it is the next rung.',
  'not-yet': 'Not yet, because',
  'not-now': 'Not now, because',
};

/** The road to an exercise the client asks for: what stands in the way, and the next step. */
export function RoadPage() {
  const { rung } = useParams();
  const client = useClientId();
  const navigate = useNavigate();
  const board = useBoard();
  return (
    <div>
      <div className="mb-4 max-w-md">
        <RungPicker
          label="Which exercise is asked for?"
          autoFocus={rung === undefined}
          onPick={(picked) => void navigate(`/clients/${client}/road/${picked.id}`)}
        />
      </div>
      {rung === undefined ? (
        <Aims aims={board.data?.aims ?? []} />
      ) : (
        <>
          <TheRoad rung={rung} />
          <section aria-label="In the plan" className="mt-4 max-w-3xl rounded-lg border border-line bg-card p-4">
            <h2 className="mb-1 text-lg font-bold">In the plan?</h2>
            <WhyNot key={rung} rung={rung} />
          </section>
        </>
      )}
    </div>
  );
}

function Aims({ aims }: { aims: string[] }) {
  const client = useClientId();
  const figures = useFigures();
  const board = useBoard();
  const names = new Map(board.data?.ladders.flatMap((ladder) => ladder.rungs).map((each) => [each.id, each.name]));
  if (aims.length === 0)
    return (
      <p className="text-faint">
        Type the exercise above; its road is drawn here, and it can be put on the wall as the aim.
      </p>
    );
  return (
    <section aria-label="Aims">
      <h2 className="font-bold">Aims on the wall</h2>
      <ul className="flex flex-wrap gap-2">
        {aims.map((aim) => (
          <li key={aim}>
            <Link
              to={`/clients/${client}/road/${aim}`}
              className="flex items-center gap-2 rounded-md border border-line bg-card px-3 py-2 font-semibold hover:border-ink"
            >
              <Still drawing={figures[aim]} className="h-16 w-18" /> {names.get(aim) ?? aim}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

function TheRoad({ rung }: { rung: string }) {
  const client = useClientId();
  const board = useBoard();
  const command = useBoardChange();
  const figures = useFigures();
  const version = board.data?.version;
  const road = useRoad(client, rung, version);
  if (road.isPending) return <Waiting what="the road" />;
  if (road.isError) return <Notice title={road.error.message} />;
  const it = road.data;
  return (
    <>
      <div className="mb-4 flex flex-wrap items-center gap-4 rounded-lg border border-line bg-card p-4">
        <Still drawing={figures[it.goal.id]} className="h-32 w-36" />
        <div className="min-w-60 flex-1">
          <h2 className="text-xl font-bold">
            <Link to={`/library/${it.goal.id}`} className="underline-offset-4 hover:underline">
              {it.goal.name}
            </Link>{' '}
            <span className="text-base font-normal text-faint">level {it.goal.level}</span>
          </h2>
          <p className="font-semibold">{answers[it.answer]}</p>
          <ul className="list-disc pl-5">
            {it.because.map((reason) => (
              <li key={reason}>{reason}</li>
            ))}
          </ul>
        </div>
        <Button
          look={it.is_aim ? 'plain' : 'act'}
          disabled={command.isPending}
          onClick={() => {
            command.mutate(aimAt(it.goal.id, !it.is_aim));
          }}
        >
          {it.is_aim ? <FlagOff size={18} aria-hidden /> : <Flag size={18} aria-hidden />}
          {it.is_aim ? 'Take the aim off the wall' : 'Put it on the wall as the aim'}
        </Button>
      </div>
      {it.next !== null && it.answer !== 'here' && (
        <p className="mb-4 rounded-md border-l-4 border-act bg-card px-4 py-2">
          <b>This week’s next step:</b> {it.next.name}, {it.next.dose}
          <span className="block text-[0.9375rem] text-faint">{it.next.words}</span>
        </p>
      )}
      {it.next === null && it.answer !== 'here' && (
        <p className="mb-4">Nothing on the way is allowed now, with these limits and this kit.</p>
      )}
      <ol className="space-y-4">
        {it.stretches.map((stretch, i) => (
          <li key={stretch.ladder}>
            <Stretch
              stretch={stretch}
              number={i + 1}
              last={i === it.stretches.length - 1}
              next={it.next?.rung ?? null}
            />
          </li>
        ))}
      </ol>
    </>
  );
}

const marks: Record<string, string> = { goal: 'the aim', gate: 'gate', 'passed-over': 'stepped over' };
const looks: Record<string, string> = {
  goal: 'border-2 border-act',
  gate: 'border-2 border-act',
  'on-the-way': 'border-line',
  'passed-over': 'border-dashed border-line opacity-70',
};

function Stretch({
  stretch,
  number,
  last,
  next,
}: {
  stretch: Road['stretches'][number];
  number: number;
  last: boolean;
  next: string | null;
}) {
  const figures = useFigures();
  return (
    <section aria-label={stretch.name}>
      <h3 className="mb-1 flex items-center gap-2 font-bold">
        <span className="inline-flex size-7 items-center justify-center rounded-full border border-ink text-sm">
          {number}
        </span>
        <Code code={stretch.category} /> {stretch.name}
        <span className="font-normal text-faint">{last ? 'the ladder of the exercise' : 'opens the way first'}</span>
      </h3>
      <ol className="flex flex-wrap items-stretch gap-y-2 border-y-4 border-wood/50 py-2">
        {stretch.from !== null && (
          <li className="flex w-36 flex-col justify-between rounded-md border border-stand bg-stand p-2 text-on-stand">
            <span className="text-[0.875rem] leading-tight font-semibold">{stretch.from.name}</span>
            <span className="text-sm">
              stands here, level {stretch.from.level}, dose {stretch.from.step + 1} of {stretch.from.steps}
            </span>
          </li>
        )}
        {stretch.rungs.map((rung) => (
          <li key={rung.id} className="flex items-center">
            <span aria-hidden className="w-4 border-t-2 border-dashed border-wood" />
            <Link
              to={`/library/${rung.id}`}
              className={`flex h-full w-36 flex-col rounded-md border bg-card p-2 hover:border-ink ${looks[rung.mark]}`}
            >
              <Still drawing={figures[rung.id]} className="h-20 w-full" />
              <span className="text-[0.875rem] leading-tight font-semibold">{rung.name}</span>
              <span className="text-sm text-faint">
                level {rung.level}
                {rung.id === next && <b className="text-act">, next</b>}
              </span>
              {marks[rung.mark] !== undefined && (
                <span className="text-sm font-semibold text-act">
                  {marks[rung.mark]}
                  {rung.opens !== null && rung.mark === 'gate' && `: ${rung.opens}`}
                </span>
              )}
              {rung.reasons.map((reason) => (
                <span key={reason} className="text-[0.8125rem] leading-tight text-warn">
                  {reason}
                </span>
              ))}
            </Link>
          </li>
        ))}
        {stretch.rungs.length === 0 && <li className="self-center px-3 text-faint">reached already</li>}
      </ol>
      {stretch.rungs.length > 0 && (
        <p className="flex items-center gap-1 text-[0.9375rem]">
          <span>
            {stretch.forecast.enough ? 'Likely at its end in ' : 'When: '}
            <b>{stretch.forecast.weeks?.text ?? 'too little data'}</b>
          </span>
          <Why about={`the forecast of ${stretch.name}`} reasons={stretch.forecast.assumptions} />
        </p>
      )}
    </section>
  );
}
