import { NavLink } from 'react-router';
import { useClientId } from '../../parts/board/useBoard';

const ways = [
  ['sheet', 'On paper'],
  ['sheet/phone', 'On their phone'],
] as const;

/** How a week is taken home. */
export function Ways() {
  const client = useClientId();
  return (
    <nav aria-label="How it is taken home" className="mb-3 flex gap-2">
      {ways.map(([path, label]) => (
        <NavLink
          key={path}
          end
          to={`/clients/${client}/${path}`}
          className={({ isActive }) =>
            `inline-flex min-h-10 items-center rounded-full border px-4 font-semibold ${isActive ? 'border-stand bg-stand text-on-stand' : 'border-line'}`
          }
        >
          {label}
        </NavLink>
      ))}
    </nav>
  );
}
