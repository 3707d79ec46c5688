import { FileDown } from 'lucide-react';

const look =
  'inline-flex min-h-10 items-center gap-2 rounded-md border border-line bg-card px-3 text-[15px] font-semibold hover:border-ink';

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
