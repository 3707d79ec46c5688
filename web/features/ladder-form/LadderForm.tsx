import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ArrowDown, ArrowUp, Copy, FileDown, Plus, Trash2, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { answer, api, ApiError, isConflict, type Schemas } from '../../api/client';
import { useKept } from '../../lib/useKept';
import { moment } from '../../lib/dates';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { useLibrary } from '../../parts/board/useBoard';
import { useLibraryChanged } from '../../parts/rungs/useRungs';
import { added, errorPlace, moved, newLadder, retired, withRung, type Draft } from './draft';
import { Landings } from '../../parts/landings/Landings';
import { RungForm } from './RungForm';
import { useLadderCopy, useLadderRecord } from './queries';

type LadderRecord = Schemas['LadderRecord'];

/** A ladder of the studio's own: a shipped one changed, a copy, or a new one. */
export function LadderForm() {
  const { ladder = 'new' } = useParams();
  const [params] = useSearchParams();
  const copied = params.get('copy');
  const record = useLadderRecord(ladder);
  const copy = useLadderCopy(copied, ladder);
  const library = useLibrary();
  const failed = record.error ?? copy.error ?? library.error;
  if (failed !== null) {
    return (
      <div className="p-6">
        <Notice title={failed.message} />
      </div>
    );
  }
  if (
    library.data === undefined ||
    (ladder !== 'new' && record.data === undefined) ||
    (copied !== null && copy.data === undefined)
  ) {
    return <Waiting what="the ladder" />;
  }
  const start = record.data?.ladder ?? copy.data?.ladder ?? newLadder();
  return (
    <Form
      key={`${ladder}${record.data?.version ?? 0}${copied ?? ''}`}
      record={record.data ?? null}
      start={start}
      copied={copied}
    />
  );
}

const kinds: Record<LadderRecord['kind'], string> = {
  shipped: 'As shipped; a change makes it our own.',
  changed: 'Shipped, and changed by us.',
  own: 'Our own.',
  away: 'Taken away.',
};

/** For whom a ladder of the studio's own is planned. */
function UsedFor({ record }: { record: LadderRecord }) {
  const queries = useQueryClient();
  const changed = useLibraryChanged();
  const use = useMutation({
    mutationFn: (body: Schemas['LadderUseRequest']) =>
      answer(api.POST('/ladders/{ladder}/use', { params: { path: { ladder: record.id } }, body })),
    onSuccess: (now) => {
      queries.setQueryData(['ladder', now.id], now);
      changed();
    },
  });
  return (
    <section
      aria-label="Used for"
      className="mb-3 flex flex-wrap items-center gap-3 rounded-lg border border-line bg-card px-3 py-2"
    >
      <p className="min-w-0 flex-1 basis-80">
        <b>
          {!record.used
            ? 'Used for nobody yet.'
            : record.in_place
              ? `Used for all of the studio, in the place of ${record.copy_of ?? 'another'}.`
              : 'Used for all of the studio.'}
        </b>{' '}
        {!record.used && 'For one client, choose it on their wall under “Choose ladders”.'}
      </p>
      {record.used ? (
        <Button
          disabled={use.isPending}
          onClick={() => {
            use.mutate({ for_all: false });
          }}
        >
          Only where it is chosen
        </Button>
      ) : (
        <Button
          look="act"
          disabled={use.isPending}
          onClick={() => {
            use.mutate({ for_all: true });
          }}
        >
          Use it for all of the studio
        </Button>
      )}
      {record.copy_of !== null && !record.in_place && (
        <Button
          disabled={use.isPending}
          onClick={() => {
            use.mutate({ for_all: true, in_place: true });
          }}
        >
          For all, in the place of {record.copy_of}
        </Button>
      )}
      <span role="alert" className="w-full font-semibold text-warn empty:hidden">
        {use.error?.message}
      </span>
    </section>
  );
}

function Form({
  record,
  start,
  copied,
}: {
  record: LadderRecord | null;
  start: Draft;
  /** the ladder that a new one is copied from */
  copied: string | null;
}) {
  const [draft, setDraft, drop, isTyped] = useKept(
    `ladder:${record?.id ?? 'new'}`,
    start,
    `${record?.version ?? 0} ${start.name}`,
  );
  const [at, setAt] = useState(0);
  const [affected, setAffected] = useState<Schemas['Affected']['affected'] | null>(null);
  const [removing, setRemoving] = useState(false);
  const library = useLibrary();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const changed = useLibraryChanged();
  const id = record?.id;
  const [version, setVersion] = useState(record?.version ?? 0);
  const body = {
    ...(id === undefined ? {} : { id, version }),
    ...(copied === null || id !== undefined ? {} : { copy_of: copied }),
    ladder: draft,
  };

  function stored(now: LadderRecord) {
    drop();
    setAffected(null);
    setRemoving(false);
    queries.setQueryData(['ladder', now.id], now);
    changed();
    if (now.id !== id) void navigate(`/library/ladders/${now.id}`, { replace: true });
  }

  /** Somebody else was first: the next save goes on top of theirs. */
  function newer(error: Error) {
    const current = error instanceof ApiError ? error.problem.current : undefined;
    if (current !== undefined && 'ladder' in current) setVersion(current.version);
  }

  const save = useMutation({
    mutationFn: () => answer(api.POST('/ladders', { body })),
    onSuccess: stored,
    onError: newer,
  });
  const check = useMutation({
    mutationFn: ({ ladder }: { ladder: Draft; thenSave: boolean }) =>
      answer(api.POST('/ladders/check', { body: { ...body, ladder } })),
    onSuccess: (found, { thenSave }) => {
      if (!thenSave) return;
      if (found.affected.length === 0) save.mutate();
      else setAffected(found.affected);
    },
  });
  const path = { ladder: id ?? '' };
  const away = useMutation({
    mutationFn: () => answer(api.POST('/ladders/{ladder}/remove', { params: { path }, body: { version } })),
    onSuccess: stored,
    onError: newer,
  });
  const checkAway = useMutation({
    mutationFn: () => answer(api.GET('/ladders/{ladder}/removal', { params: { path } })),
    onSuccess: (found) => {
      setRemoving(true);
      setAffected(found.affected);
    },
  });
  const undo = useMutation({
    mutationFn: () => answer(api.POST('/ladders/{ladder}/undo', { params: { path }, body: { version } })),
    onSuccess: stored,
    onError: newer,
  });
  const busy = save.isPending || check.isPending || away.isPending || undo.isPending;
  const problem = check.error ?? save.error ?? away.error ?? undo.error;
  const errors = problem instanceof ApiError ? problem.problem.errors : [];
  const errorAt = (where: string, itself = false) =>
    errors.find((each) => each.path === where || (!itself && each.path.startsWith(`${where}/`)))?.message;

  function change(next: Draft) {
    setDraft(next);
    check.reset();
    save.reset();
    setAffected(null);
  }

  const rung = draft.rungs[at];
  const active = draft.rungs.filter((each) => each.retired !== true);
  const others = active.filter((each) => each.id !== '').map((each) => [each.id, each.name] as const);
  return (
    <div className="mx-auto max-w-[90rem] px-4 py-3">
      <p>
        <Link to="/library" className="underline underline-offset-4">
          Library
        </Link>{' '}
        / Ladders
      </p>
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <div>
          <h1 className="text-2xl leading-tight font-bold">{draft.name === '' ? 'New ladder' : draft.name}</h1>
          <p className="text-faint">{record === null ? 'Our own, not saved yet.' : kinds[record.kind]}</p>
        </div>
        <div className="ml-auto flex flex-wrap gap-2">
          {id !== undefined && (
            <>
              <Button onClick={() => void navigate(`/library/ladders/new?copy=${id}`)}>
                <Copy size={18} aria-hidden /> Copy as a new ladder
              </Button>
              <a
                href={`/api/ladders/${id}/export`}
                download
                className="inline-flex min-h-10 items-center gap-2 rounded-md border border-line bg-card px-3 text-[0.9375rem] font-semibold hover:border-ink"
              >
                <FileDown size={18} aria-hidden /> Write to a file
              </a>
            </>
          )}
          {(record?.kind === 'own' || record?.kind === 'changed') && (
            <Button
              disabled={busy}
              onClick={() => {
                checkAway.mutate();
              }}
            >
              <Trash2 size={18} aria-hidden /> {record.kind === 'own' ? 'Take it away' : 'Back to the shipped one'}
            </Button>
          )}
          {record?.history.some((each) => !each.undone) === true && (
            <Button
              disabled={busy}
              onClick={() => {
                undo.mutate();
              }}
            >
              <Undo2 size={18} aria-hidden /> Undo the last change
            </Button>
          )}
          {isTyped && (
            <Button look="quiet" disabled={busy} onClick={drop}>
              Throw away what was typed
            </Button>
          )}
          {record?.kind !== 'away' && (
            <Button
              look="act"
              disabled={busy}
              onClick={() => {
                check.mutate({ ladder: draft, thenSave: true });
              }}
            >
              Save
            </Button>
          )}
        </div>
      </div>
      {record === null && <p className="mb-3 text-faint">A new ladder is used for nobody until you say for whom.</p>}
      {record?.kind === 'own' && <UsedFor record={record} />}
      {problem !== null && (
        <div className="mb-3">
          <Notice title={problem instanceof ApiError ? problem.problem.title : problem.message}>
            {isConflict(problem) && (
              <p>Nothing is lost. Do it again to put yours on top, or reload the page to see theirs.</p>
            )}
            <ul>
              {errors.map((each) => {
                const place = errorPlace(each.path);
                return (
                  <li key={each.path + each.message}>
                    {place === null ? (
                      each.message
                    ) : (
                      <button
                        type="button"
                        className="min-h-8 text-left underline underline-offset-4"
                        onClick={() => {
                          setAt(place.rung);
                        }}
                      >
                        {draft.rungs[place.rung]?.name === ''
                          ? `Rung ${place.rung + 1}`
                          : draft.rungs[place.rung]?.name}
                        , {place.field}
                        {each.message}
                      </button>
                    )}
                  </li>
                );
              })}
            </ul>
          </Notice>
        </div>
      )}
      {affected !== null && (
        <Landings
          affected={affected}
          busy={busy}
          say={removing ? 'Take it away and move them' : 'Save and move them'}
          onGo={() => {
            if (removing) away.mutate();
            else save.mutate();
          }}
          onCancel={() => {
            setAffected(null);
            setRemoving(false);
          }}
        />
      )}
      {record?.kind !== 'away' && (
        <div className="grid gap-4 lg:grid-cols-[20rem_minmax(0,1fr)]">
          <div className="space-y-3">
            <TextField
              label="Name of the ladder"
              value={draft.name}
              onChange={(name) => {
                change({ ...draft, name });
              }}
              error={errorAt('/ladder/name')}
            />
            <SelectField
              label="Category"
              value={draft.category}
              options={library.data?.categories.map((each) => [each.code, `${each.code} ${each.name}`] as const) ?? []}
              onChange={(category) => {
                change({ ...draft, category: category as Draft['category'] });
              }}
              error={errorAt('/ladder/category')}
            />
            <section aria-label="Rungs">
              <h2 className="font-bold">Rungs, the hardest on top</h2>
              <ol className="flex flex-col-reverse border-x-4 border-wood px-1">
                {draft.rungs.map((each, i) => (
                  <li key={i} className="my-0.5">
                    <button
                      type="button"
                      aria-current={i === at ? 'true' : undefined}
                      onClick={() => {
                        setAt(i);
                      }}
                      className={`flex min-h-9 w-full items-center gap-2 rounded border px-2 text-left leading-tight ${i === at ? 'border-ink bg-card font-bold' : 'border-line hover:border-ink'} ${each.retired === true ? 'text-faint line-through' : ''} ${errorAt(`/ladder/rungs/${i}`) === undefined ? '' : 'border-warn'}`}
                    >
                      <span className="w-5 text-right text-sm text-faint">{each.level}</span>
                      {each.name === '' ? 'a new rung, no name yet' : each.name}
                    </button>
                  </li>
                ))}
              </ol>
              <div className="mt-2 flex flex-wrap gap-1">
                <Button
                  onClick={() => {
                    change(added(draft, at));
                    setAt(at + 1);
                  }}
                >
                  <Plus size={18} aria-hidden /> Rung above
                </Button>
                <Button
                  aria-label="Move the rung up"
                  disabled={at >= draft.rungs.length - 1}
                  onClick={() => {
                    change(moved(draft, at, at + 1));
                    setAt(at + 1);
                  }}
                >
                  <ArrowUp size={18} aria-hidden />
                </Button>
                <Button
                  aria-label="Move the rung down"
                  disabled={at === 0}
                  onClick={() => {
                    change(moved(draft, at, at - 1));
                    setAt(at - 1);
                  }}
                >
                  <ArrowDown size={18} aria-hidden />
                </Button>
                {rung !== undefined && rung.id !== '' && (
                  <Button
                    disabled={rung.retired !== true && active.length < 2}
                    onClick={() => {
                      const next = withRung(draft, at, retired(rung));
                      change(next);
                      // what has to be chosen in its place is asked for at once
                      check.mutate({ ladder: next, thenSave: false });
                    }}
                  >
                    {rung.retired === true ? 'Bring back' : 'Retire'}
                  </Button>
                )}
                {rung !== undefined && rung.id === '' && draft.rungs.length > 1 && (
                  <Button
                    onClick={() => {
                      change({ ...draft, rungs: draft.rungs.filter((_, i) => i !== at) });
                      setAt(Math.max(0, at - 1));
                    }}
                  >
                    Remove
                  </Button>
                )}
              </div>
            </section>
            <SelectField
              label="The ladder’s bare name means"
              value={draft.anchor}
              options={[
                ['', 'its first rung'],
                ...others,
                ...draft.rungs
                  .filter((each) => each.retired === true && each.id === draft.anchor)
                  .map((each) => [each.id, `${each.name} (retired)`] as const),
              ]}
              onChange={(anchor) => {
                change({ ...draft, anchor });
              }}
              error={errorAt('/ladder/anchor')}
            />
            <History record={record} />
          </div>
          {rung !== undefined && (
            <RungForm
              key={at}
              rung={rung}
              others={others}
              errorAt={(field, itself) => errorAt(`/ladder/rungs/${at}/${field}`, itself)}
              onChange={(next) => {
                change(withRung(draft, at, next));
              }}
            />
          )}
        </div>
      )}
      {record?.kind === 'away' && <History record={record} />}
    </div>
  );
}

function History({ record }: { record: LadderRecord | null }) {
  if (record === null || record.history.length === 0) return null;
  return (
    <section aria-label="History">
      <h2 className="font-bold">History</h2>
      <ul className="text-[0.9375rem]">
        {record.history.map((each) => (
          <li
            key={each.on + each.label}
            className={`border-t border-line py-1 ${each.undone ? 'text-faint line-through' : ''}`}
          >
            {each.label} <span className="text-faint">{moment(each.on)}</span>
            {each.moved > 0 && `, ${each.moved} moved`}
          </li>
        ))}
      </ul>
    </section>
  );
}
