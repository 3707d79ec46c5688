import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answerInPieces, api, inPieces, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { FileIn } from '../../ui/FileIn';

const asText = (text: string, signal: AbortSignal) => ({
  body: text as never,
  bodySerializer: (body: unknown) => body as string,
  ...inPieces(signal),
});

/** Reads a client in from a file that was taken out here or elsewhere, after saying what the file holds. */
export function ReadIn() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [found, setFound] = useState<{ text: string; holds: Schemas['ReadInFound'] } | null>(null);
  const readIn = useMutation({
    mutationFn: (text: string) =>
      answerInPieces<Schemas['ReadInClient']>(
        api.POST('/read-in', asText(text, new AbortController().signal)),
        () => undefined,
      ),
    onSuccess: async ({ id }) => {
      await queries.invalidateQueries({ queryKey: ['clients'] });
      await queries.invalidateQueries({ queryKey: ['read-ins'] });
      await navigate(`/clients/${id}`);
    },
  });
  return (
    <div className="space-y-2">
      <FileIn
        label="Read in a take-out"
        name="take-out"
        accept="application/json,.json"
        pieces="logs"
        read={async (text, signal, onProgress) => ({
          text,
          holds: await answerInPieces<Schemas['ReadInFound']>(
            api.POST('/read-in/check', asText(text, signal)),
            onProgress,
          ),
        })}
        onDone={setFound}
      />
      {found !== null && (
        <section aria-label="What the file holds" className="space-y-1 rounded-md border border-line bg-card p-3">
          <p>
            <b>{found.holds.name}</b>
            {found.holds.is_here && ': somebody of this name is here already, and stays'}
          </p>
          <p className="text-[0.9375rem]">{found.holds.holds.map((each) => `${each.count} ${each.what}`).join(', ')}</p>
          {found.holds.brings.length > 0 && (
            <p className="text-[0.9375rem]">Brings ladders and styles of its own: {found.holds.brings.join(', ')}</p>
          )}
          <Button
            look="act"
            disabled={readIn.isPending}
            onClick={() => {
              readIn.mutate(found.text);
            }}
          >
            Read {found.holds.name} in
          </Button>
          <p role="alert" className="font-semibold text-warn empty:hidden">
            {readIn.error?.message}
          </p>
        </section>
      )}
    </div>
  );
}
