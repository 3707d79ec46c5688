import type { ButtonHTMLAttributes } from 'react';

const looks = {
  act: 'bg-act text-on-act border-act hover:brightness-110',
  plain: 'bg-card text-ink border-line hover:border-ink',
  quiet: 'bg-transparent text-ink border-transparent hover:border-line',
} as const;

/** A button with a target of at least 40 px. */
export function Button({
  look = 'plain',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: keyof typeof looks }) {
  return (
    <button
      type="button"
      {...rest}
      className={`inline-flex min-h-10 items-center justify-center gap-2 rounded-md border px-3 text-[0.9375rem] font-semibold transition-colors disabled:cursor-default disabled:opacity-45 ${looks[look]} ${className}`}
    />
  );
}
