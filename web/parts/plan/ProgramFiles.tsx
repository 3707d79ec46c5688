import { useMutation } from '@tanstack/react-query';
import { FileDown } from 'lucide-react';
import { answer, api, type Schemas } from '../../api/client';
import { saveFile } from '../../lib/saveFile';
import { Button } from '../../ui/Button';

const look =
  'inline-flex min-h-10 items-center gap-2 rounded-md border border-line bg-card px-3 text-[0.9375rem] font-semibold hover:border-ink';

/** A program, or a week of it, as the files that the command line and this program read. */
export function ProgramFiles({ client, what, week }: { client: string; what: string; week?: number }) {
  const query = week === undefined ? '' : `?week=${week}`;
  return (
    <span className="inline-flex flex-wrap items-center gap-2 print:hidden">
      <span className="text-faint">As a file</span>
      {(['json', 'csv'] as const).map((form) => (
        <a
          key={form}
          className={look}
          href={`/api/clients/${client}/programs/current/file.${form}${query}`}
          download
          aria-label={`${what} as ${form.toUpperCase()}`}
        >
          <FileDown size={18} aria-hidden /> {form.toUpperCase()}
        </a>
      ))}
    </span>
  );
}

export type Form = 'json' | 'csv';

/** What is looked at and kept nowhere yet, as the same files. */
export function SavedAs({ what, text }: { what: string; text: (form: Form) => Promise<unknown> }) {
  const save = useMutation({
    mutationFn: async (form: Form) => {
      saveFile((await text(form)) as string, form === 'csv' ? 'text/csv' : 'application/json', `program.${form}`);
    },
  });
  return (
    <span className="inline-flex flex-wrap items-center gap-2 print:hidden">
      <span className="text-faint">As a file</span>
      {(['json', 'csv'] as const).map((form) => (
        <Button
          key={form}
          disabled={save.isPending}
          aria-label={`${what} as ${form.toUpperCase()}`}
          onClick={() => {
            save.mutate(form);
          }}
        >
          <FileDown size={18} aria-hidden /> {form.toUpperCase()}
        </Button>
      ))}
      <span role="alert" className="font-semibold text-warn empty:hidden">
        {save.error?.message}
      </span>
    </span>
  );
}

/** A program that is looked at or built. */
export function ProgramAsFile({
  program,
  what,
}: {
  program: NonNullable<Schemas['ProgramFileRequest']['program']>;
  what: string;
}) {
  return (
    <SavedAs
      what={what}
      text={(form) => answer(api.POST('/audit/file', { body: { form, program }, parseAs: 'text' }))}
    />
  );
}
