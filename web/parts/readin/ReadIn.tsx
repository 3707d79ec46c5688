import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { answerInPieces, api, inPieces, type Schemas } from '../../api/client';
import { FileIn } from '../../ui/FileIn';

/** Reads a client in from a file that was taken out here or elsewhere. */
export function ReadIn() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return (
    <FileIn
      label="Read in a take-out"
      name="take-out"
      accept="application/json,.json"
      pieces="logs"
      read={(text, signal, onProgress) =>
        answerInPieces<Schemas['ReadInClient']>(
          api.POST('/read-in', {
            body: text as never,
            bodySerializer: (body: unknown) => body as string,
            ...inPieces(signal),
          }),
          onProgress,
        )
      }
      onDone={async ({ id }) => {
        await queries.invalidateQueries({ queryKey: ['clients'] });
        await navigate(`/clients/${id}`);
      }}
    />
  );
}
