import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, ApiError, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Notice, Waiting } from '../../ui/Notice';
import { useLibrary } from '../../parts/board/useBoard';
import { limitOf, withField, type ClientDocument, type SentDocument } from '../../parts/client/document';
import { PathLine } from '../../parts/client/PathLine';
import { asked, missing, missingWords, unasked, type Safety } from '../../parts/screen/safety';
import { Sections } from './Sections';
import { useDraft } from './useDraft';
import { ReadIn } from '../../parts/readin/ReadIn';
import { ReadInsLately } from '../../parts/readin/ReadInsLately';
import { useSavedClient } from './queries';

type Saved = Schemas['KeptClient'];

/** Adds a client or edits one, in the order a practitioner asks. */
export function ClientForm() {
  const { client } = useParams();
  const library = useLibrary();
  const saved = useSavedClient(client);
  if (library.isPending || (client !== undefined && saved.isPending)) return <Waiting what="the client" />;
  const error = library.error ?? saved.error;
  if (error !== null || library.data === undefined) {
    return (
      <div className="p-4">
        <Notice title={error?.message ?? 'The library did not load.'} />
      </div>
    );
  }
  return <Form key={client ?? 'new'} client={client} saved={saved.data} library={library.data} />;
}

function Form({
  client,
  saved,
  library,
}: {
  client: string | undefined;
  saved: Saved | undefined;
  library: Schemas['LibraryAnswer'];
}) {
  const draft = useDraft(client, saved);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const top = useRef<HTMLDivElement>(null);

  const refresh = (id: string) => {
    void queries.invalidateQueries({ queryKey: ['clients'] });
    void queries.invalidateQueries({ queryKey: ['archive'] });
    queries.removeQueries({ queryKey: ['client', id] });
    queries.removeQueries({ queryKey: ['board', id] });
  };
  const save = useMutation({
    mutationFn: () =>
      client === undefined
        ? answer(api.POST('/clients', { body: { document: draft.document as SentDocument } }))
        : answer(
            api.PUT('/clients/{client}', {
              params: { path: { client } },
              body: { version: draft.version, document: draft.document as SentDocument },
            }),
          ),
    onSuccess: async (record) => {
      draft.drop();
      refresh(record.id);
      await navigate(`/clients/${record.id}/${client === undefined ? 'start' : 'wall'}`);
    },
    onError: () => {
      top.current?.scrollIntoView();
      top.current?.focus();
    },
  });
  const archive = useMutation({
    mutationFn: (id: string) =>
      answer(
        api.POST('/clients/{client}/archive', {
          params: { path: { client: id } },
          body: { version: saved?.version ?? 1 },
        }),
      ),
    onSuccess: async (record) => {
      draft.drop();
      refresh(record.id);
      await navigate('/clients');
    },
  });

  const { document } = draft;
  const limits = (document.limits ?? []).map(limitOf);
  const known = document.screen?.flags;
  const safety = draft.safety ?? (known === undefined ? { ...unasked, limits } : asked(library.flags, known, limits));
  const left = missing(library.flags, safety);
  const isHalf = left > 0 && (safety.no.length > 0 || safety.flags.length > 0 || safety.seen.length > 0);
  const [half, setHalf] = useState(false);
  const answerSafety = (next: Safety) => {
    setHalf(false);
    const screen = withField(document.screen ?? {}, 'flags', undefined);
    const whole = missing(library.flags, next) === 0;
    draft.change(
      {
        ...withField(document, 'screen', whole ? { ...screen, flags: [...next.flags] } : screen),
        limits: [...next.limits],
      },
      next,
    );
  };

  const problem = save.error instanceof ApiError ? save.error.problem : null;
  const errors = half
    ? [{ path: '/document/screen', message: `${missingWords(left)} Nothing is saved of half a screen.` }]
    : (problem?.errors ?? []);
  const newer = problem?.status === 409 ? (problem.current as Saved) : null;
  const ended = problem !== null && (problem.status === 401 || problem.status === 419);

  return (
    <form
      noValidate
      className="mx-auto max-w-5xl p-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (isHalf) setHalf(true);
        else save.mutate();
      }}
    >
      <div ref={top} tabIndex={-1} className="space-y-3 outline-none">
        {client === undefined && <PathLine at="who" />}
        <h1 className="text-2xl font-bold">
          {client === undefined ? 'Add a client' : `Edit ${saved?.document.name ?? ''}`}
        </h1>
        {draft.isChanged && (
          <p role="status" className="text-faint">
            Unsaved entries are kept on this device.{' '}
            <button type="button" className="underline" onClick={draft.drop}>
              Drop them
            </button>
          </p>
        )}
        {newer !== null && (
          <Newer
            newer={newer}
            mine={draft.document}
            onMine={() => {
              draft.rebase(newer.version);
              save.reset();
            }}
            onNewer={() => {
              draft.drop();
              save.reset();
              queries.setQueryData(['client', newer.id], newer);
            }}
          />
        )}
        {ended && (
          <Notice title="Your session has ended. What you typed is kept.">
            <Link to="/sign-in" state={{ from: location.pathname + location.search }} className="underline">
              Sign in and go on
            </Link>
          </Notice>
        )}
        {problem !== null && newer === null && !ended && (
          <Notice title={problem.title}>
            <ul>
              {errors.map((each) => (
                <li key={each.path + each.message}>
                  {each.path.replace('/document/', '').replaceAll('/', ' ').replaceAll('_', ' ')}: {each.message}
                </li>
              ))}
            </ul>
          </Notice>
        )}
      </div>
      <Sections
        document={document}
        onChange={draft.change}
        safety={safety}
        onSafety={answerSafety}
        library={library}
        errors={errors}
        open={client !== undefined}
      />
      {half && (
        <p role="alert" className="mt-3 font-semibold text-warn">
          {missingWords(left)} Nothing is saved of half a screen.
        </p>
      )}
      <div className="sticky bottom-0 flex gap-2 border-t border-line bg-paper py-3">
        <Button look="act" type="submit" disabled={save.isPending}>
          {save.isPending ? 'Saving …' : client === undefined ? 'Save and go on' : 'Save'}
        </Button>
        <Button
          onClick={() => {
            draft.drop();
            void navigate(client === undefined ? '/clients' : `/clients/${client}/wall`);
          }}
        >
          Cancel
        </Button>
        {client !== undefined && (
          <Button
            className="ml-auto"
            disabled={archive.isPending}
            onClick={() => {
              archive.mutate(client);
            }}
          >
            Archive
          </Button>
        )}
        {archive.isError && <p className="self-center text-warn">{archive.error.message}</p>}
      </div>
      {client === undefined && (
        <div className="mt-4 space-y-3 border-t border-line pt-3">
          <ReadIn />
          <ReadInsLately />
        </div>
      )}
    </form>
  );
}

/** Two people edited: mine on top of the newer, the newer, and where they differ. */
function Newer({
  newer,
  mine,
  onMine,
  onNewer,
}: {
  newer: Saved;
  mine: ClientDocument;
  onMine: () => void;
  onNewer: () => void;
}) {
  const keys = [...new Set([...Object.keys(mine), ...Object.keys(newer.document)])] as (keyof ClientDocument)[];
  const differing = keys.filter((key) => JSON.stringify(mine[key]) !== JSON.stringify(newer.document[key]));
  const shown = (value: unknown) => (value === undefined ? 'not given' : JSON.stringify(value).replaceAll('"', ''));
  return (
    <Notice title="Somebody changed this client in the meantime. Nothing is lost: choose what counts.">
      <table className="my-2 w-full text-left text-[0.9375rem]">
        <thead>
          <tr>
            <th className="pr-3">Where they differ</th>
            <th className="pr-3">Mine</th>
            <th>Newer</th>
          </tr>
        </thead>
        <tbody>
          {differing.map((key) => (
            <tr key={key} className="border-t border-line align-top">
              <td className="pr-3">{key.replace('_', ' ')}</td>
              <td className="pr-3">{shown(mine[key])}</td>
              <td>{shown(newer.document[key])}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <span className="flex gap-2">
        <Button onClick={onMine}>Keep mine</Button>
        <Button onClick={onNewer}>Take the newer</Button>
      </span>
    </Notice>
  );
}
