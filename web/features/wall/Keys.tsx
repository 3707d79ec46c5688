const keys = [
  ['↑ ↓', 'along a ladder'],
  ['← →', 'to the ladder beside'],
  ['+', 'client one rung up'],
  ['−', 'client one rung down'],
  ['z', 'undo'],
  ['y', 'redo'],
] as const;

/** The keys of the wall. */
export function Keys() {
  return (
    <dl className="flex flex-wrap gap-x-5 gap-y-1 text-sm text-faint">
      {keys.map(([key, what]) => (
        <div key={key} className="flex gap-1.5">
          <dt>
            <kbd className="rounded border border-line bg-card px-1.5 font-bold text-ink">{key}</kbd>
          </dt>
          <dd>{what}</dd>
        </div>
      ))}
      <div className="flex gap-1.5">
        <dt aria-hidden className="flex h-5 w-1.5 flex-col-reverse gap-px self-center">
          <span className="flex-1 border border-stand bg-stand" />
          <span className="flex-1 border border-stand" />
        </dt>
        <dd>dose climbed on the rung</dd>
      </div>
      <div className="flex gap-1.5">
        <dt className="w-6 self-center border-t-4 border-act" />
        <dd>where the client stands</dd>
      </div>
      <div className="flex gap-1.5">
        <dt className="self-center rounded-xs bg-stand px-0.5 text-[0.6875rem] font-bold text-on-stand">w3</dt>
        <dd>planned from week 3</dd>
      </div>
    </dl>
  );
}
