import { ApiError } from '../../api/client';
import { Notice } from '../../ui/Notice';

/** Everything that is wrong with what was sent, each at its row, line or field. */
export function Problems({ error }: { error: Error | null }) {
  if (error === null) return null;
  const problems = error instanceof ApiError ? error.problem : null;
  return (
    <Notice title={problems?.title ?? error.message}>
      <ul>
        {problems?.errors.map((each) => (
          <li key={each.path + each.message}>
            {each.path}: {each.message}
          </li>
        ))}
      </ul>
    </Notice>
  );
}
