import { useMutation } from '@tanstack/react-query';
import { FileUp, Pencil, Plus, Search } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { useNear } from '../../lib/near';
import { positionNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { SelectField, Tick } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { useLibrary } from '../../parts/board/useBoard';
import { Landings } from '../../parts/landings/Landings';
import { RungCard } from './RungCard';
import { useFigures, useLibraryChanged, useRungs, type RungBrief, type Wanted } from '../../parts/rungs/useRungs';
import { Empty } from '../../ui/Empty';
import { useLadderKinds } from './queries';

const levels = Array.from({ length: 10 }, (_, i) => String(i + 1));
/** Every exercise there is: found by name, by what it trains and by what it spares. */
export function LibraryPage() {
  const [params, setParams] = useSearchParams();
  const wanted: Wanted = Object.fromEntries([...params].filter(([, value]) => value !== ''));
  // the address follows what is typed, and may be a letter behind it
  const [text, setText] = useState(wanted.q ?? '');
  const rungs = useRungs(wanted);
  const library = useLibrary();
  const figures = useFigures();

  function want(key: keyof Wanted, value: string) {
    setParams(
      (before) => {
        const after = new URLSearchParams(before);
        if (value === '') after.delete(key);
        else after.set(key, value);
        return after;
      },
      { replace: true },
    );
  }

  if (library.isPending) return <Waiting what="the library" />;
  if (library.isError) return <Notice title={library.error.message} />;
  const limits = library.data.library.limits.filter((limit) => limit.kind === 'soreness');
  const asked = [...params].length > 0;
  return (
    <div className="mx-auto max-w-[90rem] px-4 py-3">
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h1 className="text-2xl font-bold">Library</h1>
        <label className="relative min-w-60 flex-1">
          <span className="sr-only">Find an exercise</span>
          <Search size={18} aria-hidden className="absolute top-3 left-3 text-faint" />
          <input
            type="search"
            className="block w-full rounded-md border border-wood bg-card py-2 pr-2 pl-10 text-base"
            placeholder="Find an exercise by any of its names"
            value={text}
            onChange={(event) => {
              setText(event.target.value);
              want('q', event.target.value);
            }}
          />
        </label>
        <Link to="/library/words" className="px-1 py-2 underline underline-offset-4">
          Your own words
        </Link>
        <ReadFile />
        <Link
          to="/library/ladders/new"
          className="inline-flex min-h-10 items-center gap-2 rounded-md bg-act px-3 font-semibold text-on-act"
        >
          <Plus size={18} aria-hidden /> New ladder
        </Link>
      </div>
      <div role="group" aria-label="Directions" className="mb-2 flex flex-wrap gap-1">
        {library.data.categories.map((category) => {
          const on = wanted.direction === category.code;
          return (
            <button
              key={category.code}
              type="button"
              aria-pressed={on}
              title={category.resists}
              onClick={() => {
                want('direction', on ? '' : category.code);
              }}
              className={`flex min-h-9 items-center gap-1 rounded-md border px-2 text-[0.875rem] ${on ? 'border-ink bg-card font-bold' : 'border-line hover:border-ink'}`}
            >
              <Code code={category.code} /> <span className="hidden sm:inline">{category.name}</span>
            </button>
          );
        })}
      </div>
      <div className="mb-3 flex flex-wrap items-end gap-2 text-[0.9375rem]">
        <Choice
          label="From level"
          value={wanted.least}
          onChange={(value) => {
            want('least', value);
          }}
          options={levels.map((each) => [each, each])}
        />
        <Choice
          label="To level"
          value={wanted.most}
          onChange={(value) => {
            want('most', value);
          }}
          options={levels.map((each) => [each, each])}
        />
        <Choice
          label="Position"
          value={wanted.position}
          onChange={(value) => {
            want('position', value);
          }}
          options={Object.entries(positionNames)}
        />
        <Choice
          label="Intent"
          value={wanted.intent}
          onChange={(value) => {
            want('intent', value);
          }}
          options={library.data.intents.map((each) => [each.id, each.name])}
        />
        <Ticks
          label="Kit to hand"
          none="nothing"
          value={wanted.kit}
          onChange={(value) => {
            want('kit', value);
          }}
          options={library.data.library.equipment
            .filter((each) => each.id !== 'mat')
            .map((each) => [each.id, each.name])}
        />
        <Ticks
          label="Spare"
          value={wanted.spare}
          onChange={(value) => {
            want('spare', value);
          }}
          options={limits.map((each) => [each.id, each.name])}
        />
        {asked && (
          <Button
            look="quiet"
            onClick={() => {
              setText('');
              setParams({}, { replace: true });
            }}
          >
            Clear
          </Button>
        )}
        <p role="status" className="ml-auto py-2 text-faint">
          {rungs.data === undefined
            ? ''
            : `${rungs.data.rungs.length} ${rungs.data.rungs.length === 1 ? 'exercise' : 'exercises'}`}
        </p>
      </div>
      {rungs.isError && <Notice title={rungs.error.message} />}
      {rungs.data?.rungs.length === 0 && (
        <Empty>Nothing fits all of this. Take a wish away, or try another name.</Empty>
      )}
      {wanted.q === undefined ? (
        <Ladders rungs={rungs.data?.rungs ?? []} figures={figures} />
      ) : (
        <div className="flex flex-wrap gap-2">
          {rungs.data?.rungs.map((rung) => (
            <RungCard key={rung.id} rung={rung} drawing={figures[rung.id]} note={rung.ladder_name} />
          ))}
        </div>
      )}
    </div>
  );
}

/** So many ladders fill a screen. */
const DRAWN_AT_ONCE = 4;

/** The ladders laid on their side, the easiest rung first. */
function Ladders({ rungs, figures }: { rungs: RungBrief[]; figures: Record<string, Schemas['Drawing']> }) {
  const kinds = useLadderKinds();
  const byLadder = new Map<string, RungBrief[]>();
  for (const rung of rungs) byLadder.set(rung.ladder, [...(byLadder.get(rung.ladder) ?? []), rung]);
  return (
    <div className="space-y-3">
      {[...byLadder].map(([ladder, its], i) => (
        <LadderRow
          key={ladder}
          ladder={ladder}
          rungs={its}
          kind={kinds.data?.ladders.find((each) => each.id === ladder)?.kind}
          figures={figures}
          first={i < DRAWN_AT_ONCE}
        />
      ))}
    </div>
  );
}

/** One ladder; its rungs are drawn when it comes near. */
function LadderRow({
  ladder,
  rungs,
  kind,
  figures,
  first,
}: {
  ladder: string;
  rungs: RungBrief[];
  kind: string | undefined;
  figures: Record<string, Schemas['Drawing']>;
  first: boolean;
}) {
  const place = useRef<HTMLElement>(null);
  const near = useNear(place, first);
  const name = rungs[0]?.ladder_name;
  return (
    <section ref={place} aria-label={name} className="rounded-lg border border-line px-3 py-2">
      <h2 className="mb-1 flex items-center gap-2 font-bold">
        <Code code={rungs[0]?.category ?? ''} /> {name}
        {(kind === 'own' || kind === 'changed') && (
          <span className="rounded-sm bg-line px-1.5 text-sm font-semibold">
            {kind === 'own' ? 'our own' : 'changed by us'}
          </span>
        )}
        <Link
          to={`/library/ladders/${ladder}`}
          className="ml-auto inline-flex min-h-8 items-center gap-1 px-1 text-sm font-normal underline underline-offset-4"
        >
          <Pencil size={14} aria-hidden /> Change or copy<span className="sr-only"> {name}</span>
        </Link>
      </h2>
      <div className="flex min-h-44 gap-2 overflow-x-auto border-y-4 border-wood/50 py-1.5">
        {near && rungs.map((rung) => <RungCard key={rung.id} rung={rung} drawing={figures[rung.id]} />)}
      </div>
    </section>
  );
}

function Choice({
  label,
  value,
  onChange,
  options,
}: {
  label: string;
  value: string | undefined;
  onChange: (value: string) => void;
  options: readonly (readonly [string, string])[];
}) {
  return (
    <SelectField
      label={<span className="text-sm">{label}</span>}
      value={value ?? ''}
      onChange={onChange}
      options={[['', 'any'], ...options]}
      className="min-w-24"
    />
  );
}

function Ticks({
  label,
  none,
  value,
  onChange,
  options,
}: {
  label: string;
  none?: string;
  value: string | undefined;
  onChange: (value: string) => void;
  options: [string, string][];
}) {
  const on = value === undefined ? [] : value.split(',').filter((each) => each !== 'none');
  const names = options.filter(([id]) => on.includes(id)).map(([, name]) => name.toLowerCase());
  const shown =
    value === 'none'
      ? (none ?? 'any')
      : names.length === 0
        ? 'any'
        : names.length > 2
          ? `${names.length} chosen`
          : names.join(', ');
  return (
    <Popover.Root>
      <div>
        <span className="block text-sm font-semibold">{label}</span>
        <Popover.Trigger className="mt-0.5 min-h-[38px] min-w-24 rounded-md border border-wood bg-card px-2 py-1.5 text-left text-base">
          <span className="sr-only">{label}: </span>
          {shown}
        </Popover.Trigger>
      </div>
      <Popover.Portal>
        <Popover.Content
          collisionPadding={12}
          align="start"
          className="z-20 rounded-md border border-line bg-card p-3 shadow-lg"
        >
          {none !== undefined && (
            <Tick
              label={none}
              checked={value === 'none'}
              onChange={(checked) => {
                onChange(checked ? 'none' : '');
              }}
            />
          )}
          {options.map(([id, name]) => (
            <Tick
              key={id}
              label={name}
              checked={on.includes(id)}
              onChange={(checked) => {
                onChange((checked ? [...on, id] : on.filter((each) => each !== id)).join(','));
              }}
            />
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function ReadFile() {
  const navigate = useNavigate();
  const changed = useLibraryChanged();
  const [read, setRead] = useState<Schemas['LadderDocument'] | null>(null);
  const [unreadable, setUnreadable] = useState(false);
  const save = useMutation({
    mutationFn: (body: Schemas['LadderDocument']) => answer(api.POST('/ladders/import', { body })),
    onSuccess: (record) => {
      changed();
      void navigate(`/library/ladders/${record.id}`);
    },
  });
  const check = useMutation({
    mutationFn: (body: Schemas['LadderDocument']) => answer(api.POST('/ladders/import/check', { body })),
    onSuccess: (found, body) => {
      if (found.affected.length === 0) save.mutate(body);
      else setRead(body);
    },
  });

  async function open(file: File) {
    setRead(null);
    try {
      const body = JSON.parse(await file.text()) as Schemas['LadderDocument'];
      setUnreadable(false);
      check.mutate(body);
    } catch {
      setUnreadable(true);
    }
  }

  const problem = check.error ?? save.error;
  return (
    <>
      <label className="inline-flex min-h-10 cursor-pointer items-center gap-2 rounded-md border border-line bg-card px-3 text-[0.9375rem] font-semibold focus-within:outline-3 hover:border-ink">
        <FileUp size={18} aria-hidden /> Read a ladder
        <input
          type="file"
          accept="application/json,.json"
          className="sr-only"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file !== undefined) void open(file);
            event.target.value = '';
          }}
        />
      </label>
      {(unreadable || problem !== null) && (
        <p role="alert" className="w-full font-semibold text-warn">
          {unreadable ? 'The file is not JSON.' : problem?.message}
        </p>
      )}
      {read !== null && check.data !== undefined && (
        <div className="w-full">
          <Landings
            affected={check.data.affected}
            busy={save.isPending}
            say="Move them"
            onGo={() => {
              save.mutate(read);
            }}
            onCancel={() => {
              setRead(null);
            }}
          />
        </div>
      )}
    </>
  );
}
