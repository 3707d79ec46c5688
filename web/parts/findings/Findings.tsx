import type { Schemas } from '../../api/client';
import { Button } from '../../ui/Button';

type Finding = Schemas['Finding'] & { place?: string };

const names = { error: 'Error', warn: 'Warning', note: 'Note' } as const;

/** What of the evidence can be read in a line; what is offered in its place has buttons of its own. */
function told(evidence: Record<string, unknown>): [string, number | string][] {
  return Object.entries(evidence).filter(
    (each): each is [string, number | string] => typeof each[1] === 'number' || typeof each[1] === 'string',
  );
}

function shown(key: string, value: number | string): string {
  const unit = key.endsWith('_s') ? ' s' : key === 'hours' ? ' h' : '';
  return `${key === 'hours' ? 'apart' : key.replace(/_s$/, '').replaceAll('_', ' ')} ${value}${unit}`;
}

/** What an audit found, the worst first, each with its numbers and one tap that mends it. */
export function Findings({
  findings,
  busy,
  onFix,
}: {
  findings: Finding[];
  busy: boolean;
  onFix: (finding: Finding) => void;
}) {
  const order = ['error', 'warn', 'note'];
  const sorted = [...findings].sort((a, b) => order.indexOf(a.severity) - order.indexOf(b.severity));
  return (
    <ul data-findings={findings.length}>
      {sorted.map((finding) => (
        <li
          key={finding.rule + finding.where + finding.message}
          data-severity={finding.severity}
          className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-1.5"
        >
          <span
            className={`w-20 shrink-0 rounded-sm px-1 text-center text-sm font-semibold ${finding.severity === 'error' ? 'bg-warn text-paper' : finding.severity === 'warn' ? 'bg-warn-soft text-warn' : 'border border-line text-faint'}`}
          >
            {names[finding.severity]}
          </span>
          <span className="min-w-0 flex-1 basis-60 leading-tight">
            {finding.place !== undefined && finding.place !== '' && <b>{finding.place}: </b>}
            {finding.message}
            <details className="text-sm text-faint">
              <summary className="inline-flex min-h-6 items-center">Why</summary>
              {finding.rule}
              {told(finding.evidence).map(([key, value]) => (
                <span key={key}>, {shown(key, value)}</span>
              ))}
            </details>
          </span>
          {finding.change === null && finding.fix !== null && <span className="max-w-72 text-sm">{finding.fix}</span>}
          {finding.change !== null && finding.fix !== null && (
            <Button
              className="max-w-72 py-1 text-left leading-tight"
              disabled={busy}
              onClick={() => {
                onFix(finding);
              }}
            >
              {finding.fix}
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}
