import type { Schemas } from '../../api/client';
import { Button } from '../../ui/Button';

/** Who stands on what a change takes away, and where they land. */
export function Landings({
  affected,
  busy,
  say,
  onGo,
  onCancel,
}: {
  affected: Schemas['Affected']['affected'];
  busy: boolean;
  say: string;
  onGo: () => void;
  onCancel: () => void;
}) {
  return (
    <section aria-label="Who is affected" className="mb-3 rounded-lg border-2 border-act bg-card p-3">
      <h2 className="font-bold">
        {affected.length === 0 ? 'Nobody stands on it.' : 'Who is affected, and where they land'}
      </h2>
      <ul className="my-1">
        {affected.map((each) => (
          <li key={each.client + each.from} className="border-t border-line py-1">
            <b>{each.name}</b>: {each.from}
            {each.moves ? ` → ${each.to ?? 'nothing that is allowed'}` : ', stays'}{' '}
            <span className="text-faint">{each.why}</span>
          </li>
        ))}
      </ul>
      <div className="flex gap-2">
        <Button look="act" disabled={busy} onClick={onGo}>
          {say}
        </Button>
        <Button onClick={onCancel}>Not now</Button>
      </div>
    </section>
  );
}
