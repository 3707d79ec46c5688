import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api } from '../../api/client';
import { dayNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { LinesField } from '../../ui/Field';
import { Problems } from '../../parts/problems/Problems';
import { ReadInsLately } from '../../parts/readin/ReadInsLately';

const example = 'name,born,mon,wed,fri,kit,limits\nWynn Capstan,1984,30,,30,Band; Wall,Sore shoulder: mild';

/** Clients from a table kept elsewhere: pasted, looked at, then all of them entered or none. */
export function ClientTable() {
  const [csv, setCsv] = useState('');
  const navigate = useNavigate();
  const queries = useQueryClient();
  const check = useMutation({ mutationFn: () => answer(api.POST('/clients/table/check', { body: { csv } })) });
  const enter = useMutation({
    mutationFn: () => answer(api.POST('/clients/table', { body: { csv } })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['clients'] });
      await navigate('/clients');
    },
  });
  const found = check.data?.clients ?? [];
  return (
    <div className="mx-auto max-w-4xl space-y-4 p-4">
      <p>
        <Link to="/clients" className="underline underline-offset-4">
          Clients
        </Link>{' '}
        / From a table
      </p>
      <h1 className="text-2xl font-bold">Clients from a table</h1>
      <p className="text-faint">
        Columns name, born, goal, mon to sun (minutes), kit, limits; only the name is needed. Lists are parted by
        semicolons, a limit has its severity behind a colon. Nobody is planned before their screen is asked.
      </p>
      <LinesField
        label="The table"
        hint="as CSV, with its header"
        name="csv"
        rows={8}
        value={csv}
        onChange={(text) => {
          setCsv(text);
          check.reset();
          enter.reset();
        }}
      />
      <details>
        <summary className="cursor-pointer font-semibold">An example</summary>
        <pre className="overflow-x-auto text-sm">{example}</pre>
      </details>
      <Button
        disabled={csv.trim() === '' || check.isPending}
        onClick={() => {
          check.mutate();
        }}
      >
        Look at it
      </Button>
      <Problems error={check.error ?? enter.error} />
      {found.length > 0 && (
        <>
          <table className="w-full text-left text-[0.9375rem]">
            <thead>
              <tr className="border-b border-line">
                <th>Name</th>
                <th>Days</th>
                <th>Kit</th>
                <th>Limits</th>
              </tr>
            </thead>
            <tbody>
              {found.map((each) => (
                <tr key={each.name} className="border-b border-line align-top">
                  <td className="py-1 font-semibold">
                    {each.name}
                    {each.is_here && <span className="block font-normal text-warn">this name is here already</span>}
                  </td>
                  <td>
                    {Object.entries(each.days)
                      .map(([day, minutes]) => `${dayNames[day] ?? day} ${minutes} min`)
                      .join(', ')}
                  </td>
                  <td>{each.equipment.join(', ')}</td>
                  <td>{each.limits.join('; ')}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Button
            look="act"
            disabled={enter.isPending}
            onClick={() => {
              enter.mutate();
            }}
          >
            {found.length === 1 ? 'Enter this client' : `Enter all ${found.length}`}
          </Button>
        </>
      )}
      <ReadInsLately />
    </div>
  );
}
