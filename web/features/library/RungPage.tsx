import { ArrowDown, ArrowUp, Pencil } from 'lucide-react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { type Schemas } from '../../api/client';
import { positionNames } from '../../lib/words';
import { Code } from '../../ui/Code';
import { SelectField } from '../../ui/Field';
import { Ends, Moving } from '../../ui/Figure';
import { Notice, Waiting } from '../../ui/Notice';
import { useLibrary } from '../../parts/board/useBoard';
import { RungCard } from './RungCard';
import { LineCheckButton } from '../../parts/line/LineCheckButton';
import { RungPicker } from '../../parts/rungs/RungPicker';
import { useFigures, useRung, type RungBrief } from '../../parts/rungs/useRungs';
import { useClients } from '../../parts/client/useClients';

type Page = Schemas['RungPage'];

/** The page of one rung: how it looks, how it is taught and dosed, and what stands around it. */
export function RungPage() {
  const { rung = '' } = useParams();
  const page = useRung(rung);
  const library = useLibrary();
  const ends = useFigures()[rung];
  if (page.isPending || library.isPending) return <Waiting what="the exercise" />;
  if (page.isError || library.isError) {
    return (
      <div className="p-6">
        <Notice title={page.error?.message ?? library.error?.message ?? ''} />
      </div>
    );
  }
  const names = new Map(library.data.library.faults.map((fault) => [fault.id, fault.name]));
  const kit = new Map(library.data.library.equipment.map((each) => [each.id, each.name.toLowerCase()]));
  const it = page.data;
  return (
    <article className="mx-auto max-w-[90rem] px-4 py-3">
      <header className="mb-3 flex flex-wrap items-end gap-x-6 gap-y-2">
        <div>
          <p className="text-[0.9375rem]">
            <Link to="/library" className="underline underline-offset-4">
              Library
            </Link>{' '}
            / {it.ladder_name}
          </p>
          <h1 className="text-2xl leading-tight font-bold">{it.name}</h1>
          <p className="text-faint">
            <Code code={it.category} /> level {it.level}, {positionNames[it.position]?.toLowerCase()}
            {it.equipment.length > 0 && `, needs ${it.equipment.map((each) => kit.get(each) ?? each).join(', ')}`}
            {it.rung.also.length > 0 && <>, also trains {it.rung.also.join(' and ')}</>}
          </p>
          {it.rung.aliases.length > 0 && (
            <p className="text-sm text-faint">Also called {it.rung.aliases.join(', ')}.</p>
          )}
        </div>
        <Actions page={it} />
      </header>
      <div className="grid gap-x-6 gap-y-4 md:grid-cols-2 xl:grid-cols-[24rem_minmax(0,1fr)_22rem]">
        <div className="space-y-3">
          <div className="rounded-lg border border-line bg-card p-3">
            <Moving drawing={it.drawing} label={`${it.name}, moving figure`} className="max-h-72 w-full" />
            {ends !== undefined && (
              <div className="mt-2 flex justify-center border-t border-line pt-2">
                <Ends drawing={ends} label={it.name} told className="h-24 w-28" />
              </div>
            )}
          </div>
          <Part title="Set up">
            <ol className="list-decimal pl-5">
              {it.rung.setup.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ol>
          </Part>
          <Part title="Doses, step by step">
            <ol className="space-y-0.5">
              {it.steps.map((step) => (
                <li key={step.short} className="rounded border border-line px-2 py-0.5">
                  {step.short}
                </li>
              ))}
            </ol>
          </Part>
          <Part title="Doses by intent">
            <Intents page={it} />
          </Part>
        </div>
        <div className="space-y-3">
          <Part title="Coach’s card">
            <p>
              <b>More than below:</b> {it.rung.adds}
            </p>
            <p className="mt-1">
              <b>Look first:</b> {it.rung.watch}
            </p>
          </Part>
          <Part title="If you see, say">
            <dl>
              {it.rung.cues.map((cue) => (
                <div key={cue.fault} className="grid grid-cols-[9rem_1fr] gap-2 border-t border-line py-1">
                  <dt className="font-semibold">{names.get(cue.fault) ?? cue.fault}</dt>
                  <dd>{cue.say}</dd>
                </div>
              ))}
            </dl>
            <p className="mt-1 border-t border-line pt-1">
              <b>It does not help?</b> Less range: {it.rung.less_range}
              {it.below === null ? ' There is no rung below.' : ` Then the rung below: ${it.below.name}.`}
            </p>
          </Part>
          {it.said.length > 0 && (
            <Part title="What the house styles say here">
              <dl>
                {it.said.map(({ say, styles }) => (
                  <div key={say} className="border-t border-line py-1">
                    <dt>{say}</dt>
                    <dd className="text-sm text-faint">{styles.length === 0 ? 'All of them' : styles.join(', ')}</dd>
                  </div>
                ))}
              </dl>
            </Part>
          )}
          <Part title="Felt">
            <p>
              <b>In</b> {it.rung.felt_in.join(', ')}; <b>not in</b> {it.rung.not_in.join(', ')}.
            </p>
            <p className="text-faint">Works {it.rung.muscles.join(', ')}.</p>
          </Part>
          <div className="rounded-md border-l-4 border-warn bg-warn-soft px-3 py-2">
            <h2 className="font-bold text-warn">Stop at</h2>
            <ul className="list-disc pl-5">
              {it.rung.stop.map((sign) => (
                <li key={sign}>{sign}</li>
              ))}
              <li>Any pain that is not ordinary effort</li>
            </ul>
          </div>
          {it.cautions.length > 0 && (
            <Part title="Not with">
              <dl>
                {it.cautions.map((caution) => (
                  <div key={caution.limit} className="border-t border-line py-1">
                    <dt>
                      <b>{caution.name}</b> <span className="text-sm text-faint">({caution.by.join('; ')})</span>
                    </dt>
                    <dd className="text-[0.9375rem]">{caution.caution}</dd>
                  </div>
                ))}
              </dl>
            </Part>
          )}
        </div>
        <Around page={it} />
      </div>
    </article>
  );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section aria-label={title}>
      <h2 className="font-bold">{title}</h2>
      {children}
    </section>
  );
}

function Intents({ page }: { page: Page }) {
  const fit = page.intents.filter((intent) => intent.from !== null);
  const not = page.intents.filter((intent) => intent.from === null);
  return (
    <>
      <dl>
        {fit.map((intent) => (
          <div key={intent.id} className="border-t border-line py-1" title={intent.text}>
            <dt className="font-semibold">{intent.name}</dt>
            <dd className="text-[0.9375rem]">
              {intent.from === intent.to ? intent.from : `${intent.from ?? ''} to ${intent.to ?? ''}`}
            </dd>
          </div>
        ))}
      </dl>
      {not.length > 0 && (
        <p className="text-sm text-faint">Not for {not.map((each) => each.name.toLowerCase()).join(', ')}.</p>
      )}
    </>
  );
}

function Around({ page }: { page: Page }) {
  return (
    <div className="space-y-4 md:col-span-2 xl:col-span-1">
      <Row
        title="Harder"
        icon={<ArrowUp size={16} aria-hidden />}
        rungs={page.harder}
        none="Nothing harder in this direction."
      />
      <Row
        title="Easier"
        icon={<ArrowDown size={16} aria-hidden />}
        rungs={page.easier}
        none="Nothing easier in this direction."
      />
      <Part title="The same, but spares">
        <ul>
          {page.spares.map((spare) => (
            <li key={spare.limit} className="border-t border-line py-1">
              <b>{spared[spare.limit] ?? spare.name}</b>{' '}
              {!spare.barred && <span className="text-sm text-faint">(this one does already)</span>}
              <span className="block text-[0.9375rem]">
                {spare.swaps.length === 0
                  ? 'nothing in this direction'
                  : spare.swaps.map((swap, i) => (
                      <span key={swap.id}>
                        {i > 0 && ' · '}
                        <Link to={`/library/${swap.id}`} className="underline underline-offset-4">
                          {swap.name}
                        </Link>{' '}
                        <span className="text-faint">{swap.level}</span>
                      </span>
                    ))}
              </span>
            </li>
          ))}
        </ul>
      </Part>
      {page.requires.length > 0 && (
        <Part title="First">
          <ul className="list-disc pl-5">
            {page.requires.map((gate) => (
              <li key={gate.id}>
                <Link to={`/library/${gate.id}`} className="underline underline-offset-4">
                  {gate.name}
                </Link>
                , {gate.what}
              </li>
            ))}
          </ul>
        </Part>
      )}
      {page.opens.length > 0 && (
        <Part title="Opens">
          <p>
            {page.opens.map((each, i) => (
              <span key={each.id}>
                {i > 0 && ', '}
                <Link to={`/library/${each.id}`} className="underline underline-offset-4">
                  {each.name}
                </Link>
              </span>
            ))}
          </p>
        </Part>
      )}
    </div>
  );
}

const spared: Record<string, string> = {
  shoulder: 'the shoulder',
  wrist: 'the wrist',
  neck: 'the neck',
  'back-bending': 'a back sore on bending',
  'back-arching': 'a back sore on arching',
  kneeling: 'the knees',
  'floor-transfer': 'getting to the floor',
};

function Row({ title, icon, rungs, none }: { title: string; icon: React.ReactNode; rungs: RungBrief[]; none: string }) {
  const figures = useFigures();
  return (
    <section aria-label={title}>
      <h2 className="flex items-center gap-1 font-bold">
        {icon} {title}
      </h2>
      {rungs.length === 0 && <p className="text-faint">{none}</p>}
      <ul className="space-y-1">
        {rungs.map((rung) => (
          <li key={rung.id}>
            <CompactRung rung={rung} drawing={figures[rung.id]} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function CompactRung({ rung, drawing }: { rung: RungBrief; drawing: Schemas['Drawing'] | undefined }) {
  return (
    <span className="flex items-center gap-1 rounded-md border border-line bg-card pr-2 [&_a]:w-full [&_a]:flex-row [&_a]:items-center [&_a]:gap-2 [&_a]:border-0 [&_a]:bg-transparent [&_a]:p-1 [&_svg]:h-10 [&_svg]:w-16">
      <RungCard rung={rung} drawing={drawing} />
    </span>
  );
}

function Actions({ page }: { page: Page }) {
  const navigate = useNavigate();
  const clients = useClients();
  const [search] = useSearchParams();
  const client = clients.data?.clients.find(({ id }) => id === search.get('client'));
  return (
    <div className="ml-auto flex flex-wrap items-end gap-3">
      <LineCheckButton name={page.name} rung={page.id} client={client} />
      <div className="w-56 text-[0.9375rem]">
        <RungPicker label="Compare with" onPick={(other) => void navigate(`/library/compare/${page.id}/${other.id}`)} />
      </div>
      <div className="w-52 text-[0.9375rem]">
        <SelectField
          label="The road, or why not, for"
          value=""
          options={[
            ['', 'choose a client'],
            ...(clients.data?.clients.map((client) => [client.id, client.name] as const) ?? []),
          ]}
          onChange={(client) => {
            if (client !== '') void navigate(`/clients/${client}/road/${page.id}`);
          }}
        />
      </div>
      <Link
        to={`/library/ladders/${page.ladder}`}
        className="inline-flex min-h-10 items-center gap-2 rounded-md border border-line bg-card px-3 text-[0.9375rem] font-semibold hover:border-ink"
      >
        <Pencil size={16} aria-hidden /> Change its ladder
      </Link>
    </div>
  );
}
