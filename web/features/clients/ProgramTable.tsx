import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api } from '../../api/client';
import { Button } from '../../ui/Button';
import { LinesField } from '../../ui/Field';
import { FileIn } from '../../ui/FileIn';
import { Problems } from '../../parts/problems/Problems';
import { Changes } from '../../parts/findings/Changes';

const example = `client: Wynn Capstan
Monday, 20 min
Dead bug 2 x 8 each side, rest 30
Bird dog 2 x 8 alternating
client: Ida Fender
Tuesday, 15 min
Plank, hands 3 x 20 s, rest 30`;

/** Programs that were kept elsewhere, for several clients: pasted, looked at, then all of them begun or none. */
export function ProgramTable() {
  const [text, setText] = useState('');
  const navigate = useNavigate();
  const queries = useQueryClient();
  const check = useMutation({ mutationFn: () => answer(api.POST('/programs/table/check', { body: { text } })) });
  const take = useMutation({
    mutationFn: () => answer(api.POST('/programs/table', { body: { text } })),
    onSuccess: async () => {
      await queries.invalidateQueries();
      await navigate('/clients');
    },
  });
  const change = (next: string) => {
    setText(next);
    check.reset();
    take.reset();
  };
  const found = check.data?.programs ?? [];
  return (
    <div className="mx-auto max-w-4xl space-y-4 p-4">
      <p>
        <Link to="/clients" className="underline underline-offset-4">
          Clients
        </Link>{' '}
        / Programs from a table
      </p>
      <h1 className="text-2xl font-bold">Programs for several clients</h1>
      <p className="text-faint">
        As CSV with a column client beside those of a program, or as lines under “client: NAME”. Each program is put on
        the client’s own rungs, what is barred is exchanged, and it begins today; the client’s Undo takes it back.
      </p>
      <LinesField
        label="The programs"
        hint="as CSV or one line an exercise"
        name="programs"
        rows={10}
        value={text}
        onChange={change}
      />
      <FileIn
        label="Read a file"
        name="programs-file"
        accept=".csv,.txt,text/csv,text/plain"
        pieces="lines"
        read={(content) => Promise.resolve(content)}
        onDone={change}
      />
      <details>
        <summary className="cursor-pointer font-semibold">An example</summary>
        <pre className="overflow-x-auto text-sm">{example}</pre>
      </details>
      <Button
        disabled={text.trim() === '' || check.isPending}
        onClick={() => {
          check.mutate();
        }}
      >
        Look at them
      </Button>
      <Problems error={check.error ?? take.error} />
      {found.map((each) => (
        <section key={each.client} aria-label={each.name} className="rounded-lg border border-line bg-card p-3">
          <h2 className="text-lg font-bold">{each.name}</h2>
          <p>
            {each.weeks} {each.weeks === 1 ? 'week' : 'weeks'}, {each.sessions}{' '}
            {each.sessions === 1 ? 'session' : 'sessions'}, {each.exercises}{' '}
            {each.exercises === 1 ? 'exercise' : 'exercises'}
          </p>
          {each.changes.length === 0 ? <p>All of it fitted as it was.</p> : <Changes changes={each.changes} />}
        </section>
      ))}
      {found.length > 0 && (
        <Button
          look="act"
          disabled={take.isPending}
          onClick={() => {
            take.mutate();
          }}
        >
          {found.length === 1 ? 'Begin this program' : `Begin all ${found.length}`}
        </Button>
      )}
    </div>
  );
}
