import { useMutation } from '@tanstack/react-query';
import { FileDown } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { answerInPieces, api, inPieces, type Progress, type Schemas } from '../../api/client';
import { savePdf } from '../../lib/saveFile';
import { useAsked, useClients } from '../../parts/client/useClients';
import { Button } from '../../ui/Button';
import { Tick } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { SheetFields, useSheetChoice } from './SheetFields';

/** The sheets of several clients, this week of each, in one file. */
export function SheetPile() {
  const clients = useClients();
  const [choice, setChoice] = useSheetChoice();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(useAsked()));
  const [progress, setProgress] = useState<Progress | null>(null);
  const list = clients.data?.clients ?? [];
  const make = useMutation({
    mutationFn: () =>
      answerInPieces<Schemas['SheetPile']>(
        api.POST('/sheets', {
          params: { query: choice },
          body: { clients: [...chosen] },
          ...inPieces(new AbortController().signal),
        }),
        setProgress,
      ),
    onSuccess: (made) => {
      savePdf(made.pdf, 'sheets.pdf');
    },
    onSettled: () => {
      setProgress(null);
    },
  });
  if (clients.isPending) return <Waiting what="the clients" />;
  if (clients.isError) return <Notice title={clients.error.message} />;
  return (
    <div className="mx-auto max-w-3xl space-y-4 p-4">
      <p>
        <Link to="/clients" className="underline underline-offset-4">
          Clients
        </Link>{' '}
        / Sheets
      </p>
      <h1 className="text-2xl font-bold">Sheets of several in one file</h1>
      <SheetFields choice={choice} onChange={setChoice} />
      <fieldset className="rounded-lg border border-line bg-card p-3">
        <legend className="px-1 font-semibold">Whose week</legend>
        <Tick
          label="All of them"
          checked={chosen.size === list.length && list.length > 0}
          onChange={(all) => {
            setChosen(new Set(all ? list.map((each) => each.id) : []));
          }}
        />
        <ul className="grid gap-x-4 sm:grid-cols-2">
          {list.map((each) => (
            <li key={each.id}>
              <Tick
                label={each.name}
                checked={chosen.has(each.id)}
                onChange={(on) => {
                  setChosen(new Set(on ? [...chosen, each.id] : [...chosen].filter((id) => id !== each.id)));
                }}
              />
            </li>
          ))}
        </ul>
      </fieldset>
      <Button
        look="act"
        disabled={chosen.size === 0 || make.isPending}
        onClick={() => {
          make.mutate();
        }}
      >
        <FileDown size={18} aria-hidden /> Make the file
      </Button>
      <div role="status">
        {progress !== null && (
          <label className="block">
            {progress.done} of {progress.of}
            <progress className="block w-full" value={progress.done} max={progress.of} />
          </label>
        )}
        {make.data !== undefined && (
          <p>
            {make.data.sheets === 1 ? 'One sheet is' : `${make.data.sheets} sheets are`} in the file.
            {make.data.without.length > 0 && ` Without a week: ${make.data.without.join(', ')}.`}
          </p>
        )}
      </div>
      {make.isError && <Notice title={make.error.message} />}
    </div>
  );
}
