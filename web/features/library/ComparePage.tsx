import { ArrowLeftRight } from 'lucide-react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { positionNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { Moving } from '../../ui/Figure';
import { Tick } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { useState } from 'react';
import { useLibrary } from '../../parts/board/useBoard';
import { RungPicker } from '../../parts/rungs/RungPicker';
import { useRung } from '../../parts/rungs/useRungs';

type Page = Schemas['RungPage'];

/** Two rungs side by side, with what differs between them. */
export function ComparePage() {
  const { one = '', other = '' } = useParams();
  const a = useRung(one);
  const b = useRung(other);
  const library = useLibrary();
  const navigate = useNavigate();
  const [all, setAll] = useState(false);
  if (a.isPending || b.isPending || library.isPending) return <Waiting what="both exercises" />;
  const failed = a.error ?? b.error ?? library.error;
  if (failed !== null || a.data === undefined || b.data === undefined || library.data === undefined) {
    return (
      <div className="p-6">
        <Notice title={failed?.message ?? 'That did not work.'} />
      </div>
    );
  }
  const rows = describe(library.data);
  const pages = [a.data, b.data] as const;
  const lines = rows.map(([title, say]) => ({ title, said: pages.map(say) }));
  const shown = lines.filter((line) => all || line.said[0] !== line.said[1]);
  return (
    <div className="mx-auto max-w-[80rem] px-4 py-3">
      <div className="mb-3 flex flex-wrap items-end gap-4">
        <h1 className="text-2xl font-bold">What differs</h1>
        <p className="pb-1 text-faint">
          {lines.filter((line) => line.said[0] !== line.said[1]).length} of {lines.length} points
        </p>
        <Tick label="Show what is alike too" checked={all} onChange={setAll} />
        <Button onClick={() => void navigate(`/library/compare/${other}/${one}`)}>
          <ArrowLeftRight size={18} aria-hidden /> Change sides
        </Button>
        <div className="ml-auto w-64">
          <RungPicker
            label="Compare the left one with"
            onPick={(rung) => void navigate(`/library/compare/${one}/${rung.id}`)}
          />
        </div>
      </div>
      <table className="w-full border-separate border-spacing-0">
        <thead>
          <tr>
            <th className="w-40" />
            {pages.map((page) => (
              <th key={page.id} scope="col" className="w-[42%] p-2 text-left align-bottom">
                <div className="rounded-lg border border-line bg-card p-2">
                  <Moving drawing={page.drawing} label={page.name} className="max-h-60 w-full" />
                </div>
                <Link to={`/library/${page.id}`} className="text-lg underline underline-offset-4">
                  {page.name}
                </Link>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.map((line) => (
            <tr key={line.title}>
              <th scope="row" className="border-t border-line py-1.5 pr-3 text-left align-top">
                {line.title}
                {line.said[0] === line.said[1] && <span className="block text-sm font-normal text-faint">alike</span>}
              </th>
              {line.said.map((said, i) => (
                <td key={pages[i]?.id} className="border-t border-line px-2 py-1.5 align-top whitespace-pre-line">
                  {said === '' ? '–' : said}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** The points on which two rungs are compared, and what each says of one. */
function describe(library: Schemas['LibraryAnswer']): [string, (page: Page) => string][] {
  const named = (rows: { id: string; name: string }[]) => new Map(rows.map((row) => [row.id, row.name]));
  const faults = named(library.library.faults);
  const stresses = named(library.library.stresses);
  const kit = named(library.library.equipment);
  const categories = new Map(library.categories.map((each) => [each.code, each.name]));
  const grades = ['', 'light', 'real', 'high'];
  return [
    ['Level', (page) => String(page.level)],
    ['Ladder', (page) => page.ladder_name],
    [
      'Trains',
      (page) => [page.category, ...page.rung.also].map((code) => categories.get(code) ?? code).join(', also '),
    ],
    ['Position', (page) => positionNames[page.position] ?? page.position],
    ['Kit', (page) => page.equipment.map((id) => kit.get(id) ?? id).join(', ')],
    ['Role', (page) => page.rung.role],
    ['Start', (page) => page.steps[0]?.short ?? ''],
    ['Top', (page) => page.steps[page.steps.length - 1]?.short ?? ''],
    [
      'Loads',
      (page) =>
        Object.entries(page.rung.stresses)
          .filter(([, grade]) => grade > 0)
          .sort(([x], [y]) => x.localeCompare(y))
          .map(([id, grade]) => `${stresses.get(id) ?? id}: ${grades[grade] ?? grade}`)
          .join('\n'),
    ],
    ['Not with', (page) => page.cautions.map((each) => each.name).join(', ')],
    ['More than below', (page) => page.rung.adds],
    ['Look first', (page) => page.rung.watch],
    ['Faults', (page) => page.rung.faults.map((id) => faults.get(id) ?? id).join(', ')],
    ['Felt in', (page) => page.rung.felt_in.join(', ')],
    ['Muscles', (page) => page.rung.muscles.join(', ')],
    ['First', (page) => page.requires.map((gate) => `${gate.name}, ${gate.what}`).join('\n')],
  ];
}
