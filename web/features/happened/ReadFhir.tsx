import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { FileIn } from '../../ui/FileIn';
import { Tick } from '../../ui/Field';
import { useBoard, useClientId } from '../../parts/board/useBoard';

/** Limits, tests and aims from a FHIR bundle: looked at beside what is here, then taken. */
export function ReadFhir() {
  const client = useClientId();
  const board = useBoard();
  const queries = useQueryClient();
  const [found, setFound] = useState<{ text: string; lines: Schemas['FhirFound']['lines'] } | null>(null);
  const [keepsOurs, setKeepsOurs] = useState(false);
  const take = useMutation({
    mutationFn: (text: string) =>
      answer(
        api.POST('/clients/{client}/fhir', {
          params: { path: { client } },
          body: { version: board.data?.version ?? 0, text, keep_ours: keepsOurs },
        }),
      ),
    onSuccess: async () => {
      setFound(null);
      await queries.invalidateQueries();
    },
  });
  const differing = (found?.lines ?? []).filter((line) => line.differs).length;
  return (
    <div className="space-y-2">
      <FileIn
        label="Read a FHIR bundle in"
        name="fhir"
        accept="application/json,.json,application/fhir+json"
        pieces="entries"
        read={async (text) => ({
          text,
          ...(await answer(api.POST('/clients/{client}/fhir/check', { params: { path: { client } }, body: { text } }))),
        })}
        onDone={setFound}
      />
      {found !== null && (
        <section aria-label="What the bundle holds" className="space-y-2 rounded-md border border-line bg-paper p-3">
          <table className="w-full text-left text-[0.9375rem]">
            <thead>
              <tr className="border-b border-line">
                <th />
                <th>Here</th>
                <th>In the file</th>
              </tr>
            </thead>
            <tbody>
              {found.lines.map((line, i) => (
                <tr key={i} className={`border-b border-line align-top ${line.differs ? 'text-warn' : ''}`}>
                  <td className="py-1 pr-2 font-semibold">{line.what}</td>
                  <td className="pr-2">{line.here ?? 'not here'}</td>
                  <td>{line.file}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {differing > 0 && (
            <Tick label={`Keep ours where they differ (${differing})`} checked={keepsOurs} onChange={setKeepsOurs} />
          )}
          <Button
            look="act"
            disabled={take.isPending || board.data === undefined}
            onClick={() => {
              take.mutate(found.text);
            }}
          >
            Take it over
          </Button>
        </section>
      )}
      <p role="status" className="font-semibold empty:hidden">
        {take.isSuccess && 'Taken over. It can be undone under “Imported lately”.'}
      </p>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {take.error?.message}
      </p>
    </div>
  );
}
