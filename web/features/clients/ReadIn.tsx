import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, ApiError } from '../../api/client';
import { Button } from '../../ui/Button';

/** Reads a client in from a file that was taken out here or elsewhere. */
export function ReadIn() {
  const picker = useRef<HTMLInputElement>(null);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const read = useMutation({
    mutationFn: async (file: File) => {
      const text = await file.text();
      return answer(api.POST('/read-in', { body: text as never, bodySerializer: (body: unknown) => body as string }));
    },
    onSuccess: async ({ id }) => {
      await queries.invalidateQueries({ queryKey: ['clients'] });
      await navigate(`/clients/${id}`);
    },
  });
  const problems = read.error instanceof ApiError ? read.error.problem.errors.slice(0, 5) : [];
  return (
    <div>
      <input
        ref={picker}
        type="file"
        name="take-out"
        accept="application/json,.json"
        className="sr-only"
        aria-label="File of a take-out"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file !== undefined) read.mutate(file);
          event.target.value = '';
        }}
      />
      <Button
        disabled={read.isPending}
        onClick={() => {
          picker.current?.click();
        }}
      >
        {read.isPending ? 'Reading in …' : 'Read in a take-out'}
      </Button>
      {read.isError && (
        <div role="alert" className="mt-2 font-semibold text-warn">
          <p>Nothing was read in. {problems.length === 0 ? read.error.message : ''}</p>
          {problems.map((each) => (
            <p key={each.path}>
              {each.path}: {each.message}
            </p>
          ))}
        </div>
      )}
    </div>
  );
}
