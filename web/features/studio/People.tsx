import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { longDate } from '../../lib/dates';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { fieldError } from '../../lib/fieldError';
import { usePeople } from './queries';

type Person = Schemas['Person'];
type Role = Schemas['Role'];

const roles = [
  ['owner', 'Owner'],
  ['trainer', 'Trainer'],
  ['reader', 'Reader'],
] as const;

/** Who works in the studio, invitations that are open, and a new one. */
export function People({ mine }: { mine: string }) {
  const queries = useQueryClient();
  const people = usePeople();
  const [link, setLink] = useState<{ name: string; path: string; what: string } | null>(null);
  const act = useMutation({
    mutationFn: (call: () => Promise<Schemas['People']>) => call(),
    onSuccess: (after) => {
      queries.setQueryData(['people'], after);
      void queries.invalidateQueries({ queryKey: ['happened'] });
    },
  });
  const passwordLink = useMutation({
    mutationFn: (each: Person) =>
      answer(api.POST('/people/{person}/password', { params: { path: { person: each.id } } })),
    onSuccess: ({ path }, each) => {
      setLink({ name: each.name, path, what: 'chooses a new password' });
    },
  });
  if (people.isPending) return <Waiting what="the people" />;
  if (people.isError) return <Notice title={people.error.message} />;
  const error = act.error ?? passwordLink.error;
  return (
    <section aria-label="People" className="self-start rounded-lg border border-line bg-card p-4">
      <h2 className="text-lg font-bold">People</h2>
      <p className="text-faint">
        Owners see every client, trainers theirs. A reader is a clinician: they see what is shared and record
        clearances.
      </p>
      <ul>
        {people.data.people.map((each) => (
          <li
            key={each.id}
            className="grid items-center gap-x-2 gap-y-1 border-b border-line py-2 sm:grid-cols-[minmax(0,1fr)_7rem_auto_6.5rem]"
          >
            <span className="min-w-0">
              <b className={each.disabled ? 'line-through' : ''}>{each.name}</b>
              {each.disabled && <span className="ml-2 text-warn">disabled</span>}
              <span className="block text-sm text-faint">
                <span className="break-all">{each.email}</span>
                {each.second_factor && ', second factor on'}
                {each.role !== 'owner' && `, ${each.clients === 1 ? '1 client' : `${each.clients} clients`}`}
              </span>
            </span>
            <SelectField
              label={<span className="sr-only">What {each.name} may do</span>}
              value={each.role}
              options={roles}
              onChange={(role) => {
                act.mutate(() =>
                  answer(
                    api.POST('/people/{person}/role', {
                      params: { path: { person: each.id } },
                      body: { role: role as Role },
                    }),
                  ),
                );
              }}
            />
            <span className="-ml-3 flex sm:contents">
              <Button
                look="quiet"
                className="underline"
                disabled={passwordLink.isPending}
                onClick={() => {
                  passwordLink.mutate(each);
                }}
              >
                New password
              </Button>
              {each.id !== mine && (
                <Button
                  look="quiet"
                  className="underline"
                  disabled={act.isPending}
                  onClick={() => {
                    const params = { params: { path: { person: each.id } } };
                    act.mutate(() =>
                      answer(
                        each.disabled
                          ? api.POST('/people/{person}/enable', params)
                          : api.POST('/people/{person}/disable', params),
                      ),
                    );
                  }}
                >
                  {each.disabled ? 'Let in again' : 'Disable'}
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
      {people.data.invitations.length > 0 && <h3 className="mt-4 font-bold">Invited, not here yet</h3>}
      <ul>
        {people.data.invitations.map((each) => (
          <li key={each.id} className="flex flex-wrap items-center gap-x-3 border-b border-line py-2">
            <span className="min-w-40 flex-1">
              <b>{each.name}</b> as {each.role}
              <span className="block text-sm text-faint">
                {each.email}, until {longDate(each.expires_at.slice(0, 10))}
              </span>
            </span>
            <Button
              look="quiet"
              className="underline"
              disabled={act.isPending}
              onClick={() => {
                act.mutate(() =>
                  answer(api.POST('/people/invitations/{link}/revoke', { params: { path: { link: each.id } } })),
                );
              }}
            >
              Take back
            </Button>
          </li>
        ))}
      </ul>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {error?.message}
      </p>
      {link !== null && <OneTimeLink {...link} />}
      <Invite
        onLink={(name, path) => {
          setLink({ name, path, what: 'joins' });
          void queries.invalidateQueries({ queryKey: ['people'] });
          void queries.invalidateQueries({ queryKey: ['happened'] });
        }}
      />
    </section>
  );
}

/** A link that is shown once, to print or to copy: nothing is sent. */
function OneTimeLink({ name, path, what }: { name: string; path: string; what: string }) {
  const [copied, setCopied] = useState(false);
  const address = window.location.origin + path;
  return (
    <div role="status" className="mt-4 rounded-md border-l-4 border-act bg-paper p-3">
      <p className="font-semibold">
        {name} {what} with this link. It works once, within 7 days, and is not shown again.
      </p>
      <p className="my-1 font-mono text-sm break-all" data-link>
        {address}
      </p>
      {window.isSecureContext && (
        <Button
          onClick={() => {
            void navigator.clipboard.writeText(address).then(() => {
              setCopied(true);
            });
          }}
        >
          {copied ? 'Copied' : 'Copy'}
        </Button>
      )}
    </div>
  );
}

function Invite({ onLink }: { onLink: (name: string, path: string) => void }) {
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<Role>('trainer');
  const invite = useMutation({
    mutationFn: () => answer(api.POST('/people/invitations', { body: { name, email, role } })),
    onSuccess: ({ path }) => {
      onLink(name, path);
      setName('');
      setEmail('');
    },
  });
  return (
    <form
      className="mt-4 grid items-start gap-3 sm:grid-cols-[1fr_1fr_8rem]"
      onSubmit={(event) => {
        event.preventDefault();
        invite.mutate();
      }}
    >
      <h3 className="font-bold sm:col-span-3">Invite somebody</h3>
      <TextField
        label="Name"
        name="invite-name"
        required
        value={name}
        onChange={setName}
        error={fieldError(invite.error, '/name')}
      />
      <TextField
        label="Email"
        type="email"
        name="invite-email"
        required
        value={email}
        onChange={setEmail}
        error={fieldError(invite.error, '/email')}
      />
      <SelectField
        label="As"
        value={role}
        options={roles}
        onChange={(each) => {
          setRole(each as Role);
        }}
      />
      <Button look="act" type="submit" disabled={invite.isPending} className="sm:col-span-3 sm:justify-self-start">
        Make a link
      </Button>
    </form>
  );
}
