import { useMutation, useQueryClient } from '@tanstack/react-query';
import { QRCodeSVG } from 'qrcode.react';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { fieldError } from '../../lib/fieldError';

/** Codes of an authenticator beside the password, by choice. */
export function SecondFactor({ me }: { me: Schemas['Me'] }) {
  const [current, setCurrent] = useState('');
  const [code, setCode] = useState('');
  const queries = useQueryClient();
  const begin = useMutation({
    mutationFn: () => answer(api.POST('/second-factor', { body: { current } })),
    onSuccess: () => {
      setCurrent('');
    },
  });
  const confirm = useMutation({
    mutationFn: () => answer(api.POST('/second-factor/confirm', { body: { code } })),
    onSuccess: async () => {
      begin.reset();
      setCode('');
      await queries.invalidateQueries({ queryKey: ['me'] });
    },
  });
  const end = useMutation({
    mutationFn: () => answer(api.POST('/second-factor/end', { body: { current } })),
    onSuccess: (after) => {
      setCurrent('');
      confirm.reset();
      queries.setQueryData(['me'], after);
    },
  });
  const act = me.second_factor ? end : begin;
  return (
    <section className="space-y-3 rounded-lg border border-line bg-card p-4 md:col-span-2">
      <h2 className="text-lg font-bold">Second factor</h2>
      {confirm.data !== undefined && (
        <div role="status">
          <p className="font-semibold">
            It is on. Write these recovery codes down now; each lets you in once when the authenticator is lost, and
            they are not shown again.
          </p>
          <ul className="mt-2 grid max-w-md grid-cols-2 gap-x-6 font-mono text-lg">
            {confirm.data.recovery_codes.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
        </div>
      )}
      {begin.data === undefined ? (
        <form
          className="space-y-3"
          onSubmit={(event) => {
            event.preventDefault();
            act.mutate();
          }}
        >
          <p>
            {me.second_factor
              ? `On: signing in asks for a code of your authenticator. ${me.recovery_codes_left} recovery codes are left.`
              : 'Off. An authenticator on your phone shows a new code every half minute; signing in asks for it after the password.'}
          </p>
          <TextField
            label="Password now"
            name="current-for-codes"
            type="password"
            autoComplete="current-password"
            className="max-w-sm"
            value={current}
            onChange={setCurrent}
            error={fieldError(act.error, '/current')}
          />
          <Button type="submit" disabled={act.isPending}>
            {me.second_factor ? 'Turn it off' : 'Set it up'}
          </Button>
        </form>
      ) : (
        <form
          className="flex flex-wrap gap-6"
          onSubmit={(event) => {
            event.preventDefault();
            confirm.mutate();
          }}
        >
          <QRCodeSVG value={begin.data.uri} size={180} marginSize={4} title="Secret of the second factor" />
          <div className="min-w-64 flex-1 space-y-3">
            <p>
              Scan it with an authenticator, or type its secret: <b className="font-mono">{begin.data.secret}</b>
            </p>
            <TextField
              label="Code that it shows now"
              name="code"
              autoComplete="one-time-code"
              value={code}
              onChange={setCode}
              error={fieldError(confirm.error, '/code')}
            />
            <div className="flex gap-2">
              <Button look="act" type="submit" disabled={confirm.isPending}>
                Turn it on
              </Button>
              <Button
                onClick={() => {
                  begin.reset();
                }}
              >
                Not now
              </Button>
            </div>
          </div>
        </form>
      )}
    </section>
  );
}
