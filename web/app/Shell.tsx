import { useQuery, useQueryClient } from '@tanstack/react-query';
import { CircleHelp, CircleUser, LogOut, Moon, Sun } from 'lucide-react';
import { lazy, Suspense, useEffect, useSyncExternalStore } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { answer, api } from '../api/client';
import { keptSince, watchKept } from '../api/kept';
import { moment } from '../lib/dates';
import { Boundary } from '../ui/Boundary';
import { Button } from '../ui/Button';
import { Mark } from '../ui/Mark';
import { Waiting } from '../ui/Notice';
import { pages } from '../lib/pages';
import { useMay, useMe } from '../lib/session';
import { useTheme } from '../lib/theme';
import { Finder } from './Finder';
import { useAhead } from './useAhead';
import { useKeptDay } from './useKeptDay';
import { useTold } from './useTold';

const FloorClock = lazy(() => import('../features/floor/FloorClock'));

/** How often the device is asked for logs that the server lacks. */
const UNSENT_EVERY_MS = 5000;

/** The frame of every page behind the sign-in. */
export function Shell() {
  const me = useMe();
  const isTrainer = useMay('trainer');
  const isOwner = useMay('owner');
  const [theme, turnTheme] = useTheme();
  const queries = useQueryClient();
  const studio = me.data?.studio_id ?? '';
  const unsent = useQuery({
    queryKey: ['unsent', studio],
    queryFn: async () => (await import('../parts/run/store')).hasUnsent(),
    enabled: studio !== '',
    refetchInterval: UNSENT_EVERY_MS,
    networkMode: 'always',
    retry: false,
  });
  const navigate = useNavigate();
  const address = useLocation().pathname;
  const said = useTold();
  useHelpKey();
  useKeptDay();
  useAhead();

  async function signOut() {
    await answer(api.POST('/sign-out'));
    await (await import('../parts/run/forget')).forgetDevice();
    queries.clear();
    await navigate('/sign-in');
  }

  return (
    <div className="flex flex-1 flex-col">
      <a href="#main" className="sr-only focus:not-sr-only focus:p-3">
        Skip to the page
      </a>
      <header className="flex flex-wrap items-center gap-x-1 border-b border-line px-4 py-2 sm:gap-3 print:hidden">
        <Link to="/clients" className="flex items-center gap-2 text-lg font-bold">
          <Mark /> <span className="sr-only sm:not-sr-only">Even Rungs</span>
        </Link>
        <nav
          aria-label="Pages"
          className="order-last -mx-2 flex w-full overflow-x-auto sm:order-none sm:mx-0 sm:ml-2 sm:w-auto sm:flex-wrap"
        >
          {pages
            .filter((page) => page.inMenu && (isTrainer || page.readers) && (isOwner || page.owners === undefined))
            .map(({ to, name }) => (
              <NavLink
                key={to}
                to={to}
                className={({ isActive }) =>
                  `px-1.5 py-2 text-sm font-semibold whitespace-nowrap underline-offset-4 hover:underline sm:px-2 sm:text-base ${isActive ? 'underline decoration-act decoration-3' : ''}`
                }
              >
                {name}
                {to === '/floor' && unsent.data === true && <span className="text-warn"> (not sent)</span>}
                {to === '/floor' && (
                  <Suspense>
                    <FloorClock />
                  </Suspense>
                )}
              </NavLink>
            ))}
        </nav>
        <span className="ml-auto flex">
          <Finder />
          <Link
            to="/help"
            aria-label="Help (?)"
            title="Help (?)"
            className="inline-flex min-h-10 items-center rounded-md px-3 hover:bg-card"
          >
            <CircleHelp size={20} aria-hidden />
          </Link>
        </span>
        <Link
          to="/account"
          aria-label={`Account: ${me.data?.name ?? ''}, ${me.data?.studio ?? ''}`}
          className="flex min-h-10 items-center px-2 text-faint underline-offset-4 hover:underline"
        >
          <CircleUser size={20} aria-hidden className="sm:hidden" />
          <span className="hidden sm:inline">
            {me.data?.name}, {me.data?.studio}
          </span>
        </Link>
        <Button look="quiet" aria-label={theme === 'light' ? 'Dark theme' : 'Light theme'} onClick={turnTheme}>
          {theme === 'light' ? <Moon size={20} aria-hidden /> : <Sun size={20} aria-hidden />}
        </Button>
        <Button look="quiet" onClick={() => void signOut()}>
          <LogOut size={20} aria-hidden /> <span className="sr-only sm:not-sr-only">Sign out</span>
        </Button>
      </header>
      <p aria-live="polite" className="sr-only" data-told>
        {said}
      </p>
      <ReadFromDevice />
      <main id="main" tabIndex={-1} className="min-h-screen flex-1 outline-none print:min-h-0">
        <Boundary of={address}>
          <Suspense fallback={<Waiting what="the page" />}>
            <Outlet />
          </Suspense>
        </Boundary>
      </main>
      <footer className="border-t border-line px-4 py-2 text-sm text-faint print:hidden">
        Stop at pain that is not ordinary effort. Even Rungs does not diagnose; it defers to local rules and licensed
        practice.{' '}
        <Link to="/help?find=codes" className="inline-flex min-h-6 items-center underline underline-offset-4">
          What the codes mean
        </Link>
      </footer>
    </div>
  );
}

/** Said as long as answers come from this device instead of the server. */
function ReadFromDevice() {
  const since = useSyncExternalStore(watchKept, keptSince);
  if (since === null) return null;
  return (
    <p role="status" className="border-b-2 border-warn bg-warn-soft px-4 py-2 font-semibold text-warn print:hidden">
      The server cannot be reached. You read what this device kept at {moment(since)}.
    </p>
  );
}

/** A question mark that is typed nowhere asks for help. */
function useHelpKey() {
  const navigate = useNavigate();
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.matches('input, textarea, select');
      if (event.key !== '?' || typing || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      void navigate('/help');
    };
    window.addEventListener('keydown', press);
    return () => {
      window.removeEventListener('keydown', press);
    };
  }, [navigate]);
}
