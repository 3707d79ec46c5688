const patterns: Record<string, string> = {
  AE: 'border-solid',
  AF: 'border-dashed',
  AL: 'border-dotted',
  AR: 'border-double border-4',
};

/** The letter code of a category; the four directions also differ by the line under the letters. */
export function Code({ code, title }: { code: string; title?: string }) {
  return (
    <span
      title={title}
      className={`inline-block min-w-8 border-0 border-b-3 px-1 text-center text-sm leading-5 font-bold text-ink ${patterns[code] ?? 'border-transparent'} border-x-0 border-t-0`}
    >
      {code}
    </span>
  );
}
