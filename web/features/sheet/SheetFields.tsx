import { useState } from 'react';
import { useMe } from '../../lib/session';
import { SelectField } from '../../ui/Field';

/** How a sheet is wanted. */
export interface SheetChoice {
  language: string;
  pages: 1 | 2;
  paper: 'a4' | 'letter';
  size: 'usual' | 'large';
}

const key = 'even-rungs-sheet';
const usual: SheetChoice = { language: 'en', pages: 2, paper: 'a4', size: 'usual' };

/** What was last chosen on this device. */
export function keptChoice(): SheetChoice {
  const kept = localStorage.getItem(key);
  return kept === null ? usual : { ...usual, ...(JSON.parse(kept) as Partial<SheetChoice>) };
}

/** The choice of this device. */
export function useSheetChoice(): [SheetChoice, (choice: SheetChoice) => void] {
  const [choice, setChoice] = useState(keptChoice);
  return [
    choice,
    (next) => {
      localStorage.setItem(key, JSON.stringify(next));
      setChoice(next);
    },
  ];
}

export function SheetFields({ choice, onChange }: { choice: SheetChoice; onChange: (choice: SheetChoice) => void }) {
  const languages = useMe().data?.languages ?? [];
  return (
    <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
      <SelectField
        label="On"
        value={String(choice.pages)}
        options={[
          ['1', 'one page'],
          ['2', 'two pages, all of it'],
        ]}
        onChange={(pages) => {
          onChange({ ...choice, pages: pages === '1' ? 1 : 2 });
        }}
      />
      <SelectField
        label="Paper"
        value={choice.paper}
        options={[
          ['a4', 'A4'],
          ['letter', 'Letter'],
        ]}
        onChange={(paper) => {
          onChange({ ...choice, paper: paper as SheetChoice['paper'] });
        }}
      />
      <SelectField
        label="Letters"
        value={choice.size}
        options={[
          ['usual', 'usual'],
          ['large', 'large, on as many pages as it takes'],
        ]}
        onChange={(size) => {
          onChange({ ...choice, size: size as SheetChoice['size'] });
        }}
      />
      <SelectField
        label="Language"
        value={choice.language}
        options={languages.map((each) => [each.id, each.name] as const)}
        onChange={(language) => {
          onChange({ ...choice, language });
        }}
      />
    </div>
  );
}
