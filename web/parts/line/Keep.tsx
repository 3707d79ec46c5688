import { useState } from 'react';
import { asks, type Schemas } from '../../api/client';
import { longDate, today } from '../../lib/dates';
import { Button } from '../../ui/Button';
import { TextField, Tick } from '../../ui/Field';
import { TwoTaps } from '../../ui/TwoTaps';
import { Choice } from '../../ui/Choice';
import { allowLines, keepLine, withdrawLines } from './changes';
import { useLines, useLinesChange } from './queries';

/** Keeps a line, without its picture unless that is said, once somebody who may lets it be kept. */
export function Keep({
  client,
  body,
  picture,
}: {
  client: { id: string; name: string };
  body: Omit<Schemas['KeepLineRequest'], 'on' | 'picture'> | null;
  /** the picture in base64, made when it is kept */
  picture: () => Promise<string>;
}) {
  const lines = useLines(client.id);
  const change = useLinesChange(client.id);
  const [withPicture, setWithPicture] = useState(false);
  const [kept, setKept] = useState(false);
  if (lines.data === undefined) return null;
  const { consent, needs_guardian } = lines.data;
  return (
    <section aria-label="Keep it" className="mt-3 border-t border-line pt-2">
      {consent === null ? (
        <Consent client={client} needsGuardian={needs_guardian} />
      ) : (
        <>
          <Tick label="With the picture, not only the line" checked={withPicture} onChange={setWithPicture} />
          <Button
            look="act"
            className="mt-1"
            disabled={body === null || change.isPending || kept}
            onClick={() => {
              if (body === null) return;
              change.mutate(
                async (id) =>
                  keepLine({ ...body, on: today(), ...(withPicture ? { picture: await picture() } : {}) })(id),
                {
                  onSuccess: () => {
                    setKept(true);
                  },
                },
              );
            }}
          >
            {kept ? 'Kept' : withPicture ? 'Keep line and picture' : 'Keep the line'}
          </Button>
          <p role="status" className="text-[0.9375rem] text-faint">
            {kept ? `Kept of ${client.name}, on ${longDate(today())}. It stands in Progress.` : ''}
          </p>
          <p className="mt-2 text-[0.9375rem] text-faint">
            {consent.given_by === 'guardian' ? `${consent.name}, guardian,` : consent.name} said on{' '}
            {longDate(consent.on)} that pictures and lines may be kept.
          </p>
          <TwoTaps
            name="Withdraw this, and remove all of it"
            onSure={() => {
              change.mutate(withdrawLines());
            }}
          />
        </>
      )}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {change.error?.message}
      </p>
    </section>
  );
}

/** Asked once: who lets pictures and lines be kept. */
function Consent({ client, needsGuardian }: { client: { id: string; name: string }; needsGuardian: boolean | null }) {
  const change = useLinesChange(client.id);
  const [by, setBy] = useState<'client' | 'guardian' | null>(needsGuardian === true ? 'guardian' : null);
  const [name, setName] = useState(needsGuardian === true ? '' : client.name);
  return (
    <form
      aria-label="May it be kept"
      onSubmit={(event) => {
        event.preventDefault();
        if (by !== null) change.mutate(allowLines({ given_by: by, name }));
      }}
    >
      <p className="font-semibold">May lines and pictures of {client.name} be kept?</p>
      <p className="text-[0.9375rem] text-faint">
        They are seen by who may see this client, go along when the client is taken out, and are removed when this is
        withdrawn. Asked once.
        {needsGuardian === true && ` ${client.name} is under 18: a guardian must say so.`}
        {needsGuardian === null && ' The year of birth is not known: under 18 a guardian must say so.'}
      </p>
      {needsGuardian !== true && (
        <div role="group" aria-label="Who says so">
          <Choice
            options={[
              ['client', `${client.name} says so`],
              ['guardian', 'A guardian says so'],
            ]}
            value={by}
            onChange={(who) => {
              setBy(who);
              setName(who === 'client' ? client.name : '');
            }}
          />
        </div>
      )}
      {by === 'guardian' && (
        <TextField
          label="The guardian’s name"
          name="guardian"
          maxLength={120}
          value={name}
          onChange={setName}
          error={asks(change.error, 'name') ?? undefined}
        />
      )}
      <Button type="submit" className="mt-1" disabled={by === null || name.trim() === '' || change.isPending}>
        It may be kept
      </Button>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {change.error?.message}
      </p>
    </form>
  );
}
