/** 0 to 10 in one row of taps; a second tap takes the answer back. */
export function Scale({
  label,
  ends,
  value,
  onChange,
  warnOver,
}: {
  label: string;
  ends: readonly [string, string];
  value: number | undefined;
  onChange: (value: number | undefined) => void;
  /** what is more is marked */
  warnOver?: number;
}) {
  return (
    <fieldset className="mt-1 sm:mt-2">
      <legend className="text-sm leading-tight font-semibold sm:text-base">
        {label}{' '}
        <span className="font-normal text-faint">
          0 {ends[0]}, 10 {ends[1]}
        </span>
      </legend>
      <div className="grid grid-cols-11 gap-0.5">
        {Array.from({ length: 11 }, (_, n) => {
          const over = warnOver !== undefined && n > warnOver;
          return (
            <button
              key={n}
              type="button"
              aria-pressed={value === n}
              aria-label={`${label}: ${n}`}
              onClick={() => {
                onChange(value === n ? undefined : n);
              }}
              className={`min-h-11 rounded border font-bold ${value === n ? 'border-stand bg-stand text-on-stand' : over ? 'border-warn border-dashed bg-warn-soft' : 'border-line bg-paper'}`}
            >
              {n}
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}
