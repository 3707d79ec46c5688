interface Props<Id extends string> {
  /** what is chosen, for those who do not see it */
  label: string;
  tabs: readonly (readonly [Id, string])[];
  shown: Id;
  onShow: (id: Id) => void;
}

/** Views of one page, of which one is shown. */
export function Tabs<Id extends string>({ label, tabs, shown, onShow }: Props<Id>) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap">
      {tabs.map(([id, name]) => (
        <button
          key={id}
          type="button"
          aria-pressed={shown === id}
          onClick={() => {
            onShow(id);
          }}
          className={`min-h-9 border-b-3 px-2 text-[0.9375rem] ${shown === id ? 'border-act font-bold' : 'border-transparent hover:border-line'}`}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
