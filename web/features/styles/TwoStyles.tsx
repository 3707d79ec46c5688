import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { SelectField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { useClients } from '../../parts/client/useClients';
import { WeekInShort } from '../../parts/week/WeekInShort';

type Style = Schemas['StyleList']['styles'][number];

/** One client's week in two styles side by side, each difference with the answer that made it. */
export function TwoStyles({ styles, one }: { styles: Style[]; one: string }) {
  const clients = useClients();
  const [client, setClient] = useState('');
  const [second, setSecond] = useState<string | null>(null);
  const other = second ?? styles.find((each) => each.id !== one)?.id ?? one;
  const asked = useQuery({
    queryKey: ['two-styles', client, one, other],
    queryFn: () =>
      answer(api.POST('/clients/{client}/two-styles', { params: { path: { client } }, body: { one, other } })),
    enabled: client !== '' && other !== one,
    retry: false,
  });
  const name = styles.find((each) => each.id === one)?.name ?? '';
  return (
    <section aria-label="Two styles" className="border-t-2 border-line pt-4 lg:col-span-2">
      <h2 className="text-xl font-bold">One client, two styles</h2>
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <SelectField
          label="Client"
          className="w-64"
          value={client}
          options={[
            ['', 'choose …'],
            ...(clients.data?.clients ?? []).map((each) => [each.id, each.name] as [string, string]),
          ]}
          onChange={setClient}
        />
        <SelectField
          label={`${name} beside`}
          className="w-64"
          value={other}
          options={styles.filter((each) => each.id !== one).map((each) => [each.id, each.name] as const)}
          onChange={setSecond}
        />
      </div>
      {asked.isError && <Notice title={asked.error.message} />}
      {asked.isFetching && <Waiting what="both weeks" />}
      {asked.data !== undefined && !asked.isFetching && !asked.isError && <Both both={asked.data} />}
    </section>
  );
}

function Both({ both }: { both: Schemas['TwoStyles'] }) {
  return (
    <>
      <div className="grid gap-4 md:grid-cols-2">
        <WeekInShort title={both.one.name} under="" week={both.one.week} other={null} />
        <WeekInShort title={both.other.name} under="" week={both.other.week} other={both.one.week} />
      </div>
      <h3 className="mt-4 text-lg font-bold">Which answer makes which difference</h3>
      <dl>
        {both.answers.map((each) => (
          <div key={each.question} className="border-t border-line py-2">
            <dt>
              <b>{each.question}:</b> {each.other} <span className="text-faint">instead of</span> {each.one}
            </dt>
            <dd className="text-[0.9375rem]">
              {each.changes.length === 0 && each.words.length === 0 && (
                <span className="text-faint">
                  Nothing in this week; it bears on verdicts, later weeks or other clients.
                </span>
              )}
              <Lines lines={each.changes} />
              <Lines lines={each.words} />
            </dd>
          </div>
        ))}
        {both.together.length > 0 && (
          <div className="border-t border-line py-2">
            <dt className="font-bold">Several answers together, and what the style sets itself</dt>
            <dd className="text-[0.9375rem]">
              <Lines lines={both.together} />
            </dd>
          </div>
        )}
      </dl>
    </>
  );
}

function Lines({ lines }: { lines: string[] }) {
  return (
    <ul className="list-disc pl-5 empty:hidden">
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
}
