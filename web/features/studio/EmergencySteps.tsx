import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { Button } from '../../ui/Button';
import { LinesField } from '../../ui/Field';

/** What the floor shows when something is wrong: one step a line. */
export function EmergencySteps({ steps }: { steps: string[] }) {
  const [text, setText] = useState(steps.join('\n'));
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: (lines: string[]) => answer(api.POST('/emergency', { body: { steps: lines } })),
    onSuccess: (me) => {
      queries.setQueryData(['me'], me);
      setText(me.emergency_steps.join('\n'));
    },
  });
  return (
    <form
      className="space-y-3 rounded-lg border border-line bg-card p-4"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(text.split('\n'));
      }}
    >
      <h2 className="text-lg font-bold">When something is wrong</h2>
      <LinesField
        label="Steps that the floor shows, one a line"
        hint="with your own numbers and names; local rules come first"
        name="emergency"
        rows={8}
        value={text}
        onChange={setText}
      />
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {save.error?.message}
      </p>
      <p role="status" className="font-semibold empty:hidden">
        {save.isSuccess ? 'Kept. The floor shows it.' : ''}
      </p>
      <div className="flex gap-2">
        <Button look="act" type="submit" disabled={save.isPending}>
          Keep these steps
        </Button>
        <Button
          disabled={save.isPending}
          onClick={() => {
            save.mutate([]);
          }}
        >
          Back to the usual ones
        </Button>
      </div>
    </form>
  );
}
