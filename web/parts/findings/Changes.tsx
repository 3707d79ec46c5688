import type { Schemas } from '../../api/client';

/** What changed where a program was made to fit somebody. */
export function Changes({ changes }: { changes: Schemas['FitChange'][] }) {
  return (
    <ul>
      {changes.map((change) => (
        <li key={`${change.from}→${change.to ?? ''}`} className="border-t border-line py-1.5">
          <b>{change.from}</b> → <b>{change.to ?? 'left out'}</b>
          {change.times > 1 && <span className="text-faint"> ({change.times} times)</span>}
          {change.why.map((why) => (
            <span key={why} className="block text-[0.9375rem] text-faint">
              {why}
            </span>
          ))}
        </li>
      ))}
    </ul>
  );
}
