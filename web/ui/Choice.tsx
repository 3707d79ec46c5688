import { Button } from './Button';

interface Props<Value extends string | number | boolean> {
  options: readonly (readonly [Value, string])[];
  value: Value | null;
  onChange: (value: Value) => void;
}

/** One of a few answers, each a button; the name of the group stands around it. */
export function Choice<Value extends string | number | boolean>({ options, value, onChange }: Props<Value>) {
  return (
    <div className="flex flex-wrap gap-1">
      {options.map(([each, name]) => (
        <Button
          key={String(each)}
          aria-pressed={value === each}
          className={value === each ? 'border-stand bg-stand text-on-stand' : ''}
          onClick={() => {
            onChange(each);
          }}
        >
          {name}
        </Button>
      ))}
    </div>
  );
}
