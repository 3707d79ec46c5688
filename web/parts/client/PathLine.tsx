import { Check } from 'lucide-react';
import { Link } from 'react-router';

const steps = [
  ['who', 'Who it is'],
  ['stand', 'Where they stand'],
  ['week', 'The first week'],
] as const;

export type PathStep = (typeof steps)[number][0];

/** Where one is on the way to a first week. */
export function PathLine({ at, client }: { at: PathStep; client?: string }) {
  const now = steps.findIndex(([step]) => step === at);
  const address: Record<PathStep, string> = {
    who: `/clients/${client ?? 'new'}/edit`,
    stand: `/clients/${client ?? 'new'}/start`,
    week: `/clients/${client ?? 'new'}/start?at=week`,
  };
  return (
    <nav aria-label="The way to a first week">
      <ol className="mb-3 flex">
        {steps.map(([step, name], i) => {
          const mark = (
            <>
              <span
                aria-hidden
                className={`flex size-7 items-center justify-center rounded-full border-2 border-stand font-bold ${i <= now ? 'bg-stand text-on-stand' : 'bg-card'}`}
              >
                {i < now ? <Check size={16} /> : i + 1}
              </span>
              <span className={i === now ? 'font-bold' : ''}>{name}</span>
            </>
          );
          const look = 'flex min-h-10 flex-col items-center gap-1 text-center text-[0.9375rem]';
          return (
            <li
              key={step}
              aria-current={i === now ? 'step' : undefined}
              className={`relative flex-1 ${i === 0 ? '' : 'before:absolute before:top-3 before:right-1/2 before:left-[-50%] before:mr-4 before:ml-4 before:h-1 before:bg-stand'}`}
            >
              {client === undefined || i === now ? (
                <span className={look}>{mark}</span>
              ) : (
                <Link to={address[step]} className={`${look} underline-offset-4 hover:underline`}>
                  {mark}
                </Link>
              )}
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
