import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api } from '../../api/client';
import { useMay } from '../../lib/session';
import { Button } from '../../ui/Button';
import { TextField, Tick, toggled } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { useBoard, useClientId } from '../../parts/board/useBoard';
import { fieldError } from '../../lib/fieldError';
import { ReadInsLately } from '../../parts/readin/ReadInsLately';
import { HappenedList } from '../../parts/happened/HappenedList';
import { useTrainersOf } from './queries';
import { ReadFhir } from './ReadFhir';

/** The record of one client: whose client it is, and everything that was done. */
export function RecordPage() {
  const client = useClientId();
  const isOwner = useMay('owner');
  const mayExport = useMay('trainer');
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="max-lg:min-h-screen">
        <HappenedList client={client} exported={mayExport} />
      </div>
      <div className="space-y-6">
        {isOwner && <WhoseClient client={client} />}
        {mayExport && <ForClinician client={client} />}
        {mayExport && <ReadInsLately />}
        {mayExport && <TakeOut client={client} />}
        {isOwner && <Erase client={client} />}
      </div>
    </div>
  );
}

function WhoseClient({ client }: { client: string }) {
  const queries = useQueryClient();
  const key = ['trainers', client];
  const trainers = useTrainersOf(client);
  const save = useMutation({
    mutationFn: (theirs: string[]) =>
      answer(api.POST('/clients/{client}/trainers', { params: { path: { client } }, body: { trainers: theirs } })),
    onSuccess: (after) => {
      queries.setQueryData(key, after);
      void queries.invalidateQueries({ queryKey: ['happened'] });
    },
  });
  const all = trainers.data?.trainers ?? [];
  const theirs = all.filter((each) => each.theirs).map((each) => each.id);
  return (
    <section aria-label="Trainers of this client" className="rounded-lg border border-line bg-card p-4">
      <h2 className="text-lg font-bold">Trainers of this client</h2>
      <p className="text-faint">Owners see every client. Trainers and readers see those ticked here.</p>
      {trainers.isError && <Notice title={trainers.error.message} />}
      {all
        .filter((each) => each.role !== 'owner' && (!each.disabled || each.theirs))
        .map((each) => (
          <Tick
            key={each.id}
            label={
              <>
                {each.name} <span className="text-faint">({each.disabled ? 'disabled' : each.role})</span>
              </>
            }
            checked={each.theirs}
            onChange={(on) => {
              save.mutate(toggled(theirs, each.id, on));
            }}
          />
        ))}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {save.error?.message}
      </p>
    </section>
  );
}

/** What a physiotherapist or a doctor is told. */
function ForClinician({ client }: { client: string }) {
  const look =
    'inline-flex min-h-10 items-center rounded-md border border-line bg-card px-3 text-[0.9375rem] font-semibold hover:border-ink';
  return (
    <section aria-label="For a clinician" className="space-y-2 rounded-lg border border-line bg-card p-4">
      <h2 className="text-lg font-bold">For a clinician</h2>
      <p className="text-faint">
        Limits, clearances, tests beside norms, where the client stood, pain, what is planned and why, and what we ask.
        Hand it on only with the client’s consent.
      </p>
      <p className="flex flex-wrap gap-2">
        <a className={look} href={`/api/clients/${client}/summary.html`} target="_blank" rel="noreferrer">
          Look at it
        </a>
        <a className={look} href={`/api/clients/${client}/summary.pdf`} download>
          Save as PDF
        </a>
        <a className={look} href={`/api/clients/${client}/fhir.json`} download>
          As FHIR R4
        </a>
      </p>
      <p className="text-faint">
        What comes back as FHIR is looked at first: limits, tests and aims in the words of this program.
      </p>
      <ReadFhir />
    </section>
  );
}

function TakeOut({ client }: { client: string }) {
  return (
    <section aria-label="Everything as a file" className="space-y-2 rounded-lg border border-line bg-card p-4">
      <h2 className="text-lg font-bold">Everything as a file</h2>
      <p className="text-faint">
        Everything about this client as one file: for the client, or for another studio, which reads it in without loss.
      </p>
      <a
        href={`/api/clients/${client}/take-out`}
        download
        className="inline-flex min-h-10 items-center rounded-md border border-line bg-card px-3 font-semibold hover:border-ink"
      >
        Save all of this client
      </a>
    </section>
  );
}

/** Takes a client out of every table, after their name was typed. */
function Erase({ client }: { client: string }) {
  const [name, setName] = useState('');
  const [asked, setAsked] = useState(false);
  const called = useBoard().data?.client.name ?? '';
  const queries = useQueryClient();
  const navigate = useNavigate();
  const erase = useMutation({
    mutationFn: () => answer(api.POST('/clients/{client}/erase', { params: { path: { client } }, body: { name } })),
    onSuccess: async () => {
      await navigate('/clients', { replace: true });
      queries.removeQueries({ predicate: ({ queryKey }) => queryKey.includes(client) });
      await queries.invalidateQueries({ queryKey: ['clients'] });
    },
  });
  return (
    <section aria-label="Erase" className="space-y-2 rounded-lg border border-line bg-card p-4">
      <h2 className="text-lg font-bold">Erase this client</h2>
      {asked ? (
        <form
          className="space-y-2"
          onSubmit={(event) => {
            event.preventDefault();
            erase.mutate();
          }}
        >
          <p>
            {called} goes out of every table: entries, screens, clearances, tests, programs, logs and this record. It
            cannot be undone. Take the client out first if anybody may need it. Backups hold the client until they are
            gone: 14 days for the nightly ones, longer for those you made.
          </p>
          <TextField
            label={`Type the name: ${called}`}
            name="erase-name"
            value={name}
            onChange={setName}
            error={fieldError(erase.error, '/name')}
          />
          <div className="flex gap-2">
            <Button look="act" type="submit" disabled={erase.isPending || name.trim() === ''}>
              Erase for good
            </Button>
            <Button
              onClick={() => {
                setAsked(false);
              }}
            >
              Keep
            </Button>
          </div>
        </form>
      ) : (
        <Button
          onClick={() => {
            setAsked(true);
          }}
        >
          Erase …
        </Button>
      )}
    </section>
  );
}
