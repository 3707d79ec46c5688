import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { keptChoice } from '../features/sheet/SheetFields';
import { sheetAddress } from '../features/sheet/queries';
import { COPIES } from '../parts/run/copies';
import { BoardLayout, Sheet, TodayPage, Wall, Week } from './pieces';

/** A page is drawn first; what is kept for later waits so long. */
const IDLE_MS = 2000;

/** The pages that are read without a server and what opens on them, each in a file of its own. */
const pages = [
  TodayPage.ahead,
  BoardLayout.ahead,
  Wall.ahead,
  Week.ahead,
  Sheet.ahead,
  () => import('../ui/WhyPopover'),
  () => import('../ui/DialogWindow'),
];

/** Asks once for all that is read of a client of the day, so that a copy of it is on the device. */
async function keep(client: string) {
  const path = { client };
  const board = await answer(api.GET('/clients/{client}/board', { params: { path } }));
  if (board.week === null) return;
  const week = board.present_week;
  if (week > 1) {
    await answer(
      api.GET('/clients/{client}/programs/{program}/weeks/{week}', {
        params: { path: { client, program: 'current', week } },
      }),
    );
  }
  const page = `/api/clients/${client}/sheet.html`;
  if (await hasSheet(page, week, board.version)) return;
  const choice = keptChoice();
  const sheet = await answer(api.GET('/clients/{client}/sheet', { params: { path, query: { week, ...choice } } }));
  await fetch(`${page}?${sheetAddress(week, choice, sheet.detail, board.version)}`);
}

/** Whether the sheet of a week is on the device in this version of the client: drawing it anew takes the server a while. */
async function hasSheet(path: string, week: number, version: number): Promise<boolean> {
  const copies = await caches.open(COPIES);
  for (const request of await copies.keys()) {
    if (new URL(request.url).pathname !== path) continue;
    const asked = new URL((await copies.match(request))?.url ?? request.url).searchParams;
    if (asked.get('week') === String(week) && asked.get('of') === String(version)) return true;
  }
  return false;
}

/** Takes the copies of everybody else off the device. */
async function forgetOthers(clients: ReadonlySet<string>) {
  const copies = await caches.open(COPIES);
  for (const request of await copies.keys()) {
    const client = /^\/api\/clients\/([^/]+)\//.exec(new URL(request.url).pathname)?.[1];
    if (client !== undefined && !clients.has(client)) await copies.delete(request);
  }
}

/** What the list of built files says of one of them. */
interface Built {
  file: string;
  css?: string[];
  assets?: string[];
}

/** Takes files of earlier builds off the device. */
async function forgetBuilds() {
  const list = await fetch('/build/manifest.json', { cache: 'no-store' });
  if (!list.ok) return;
  const built = Object.values((await list.json()) as Record<string, Built>);
  const there = new Set(built.flatMap((each) => [each.file, ...(each.css ?? []), ...(each.assets ?? [])]));
  const copies = await caches.open(COPIES);
  for (const request of await copies.keys()) {
    const file = /^\/build\/(.*)$/.exec(new URL(request.url).pathname)?.[1];
    if (file !== undefined && !file.startsWith('own/') && !there.has(file)) await copies.delete(request);
  }
}

async function keepAll(clients: readonly string[], over: AbortSignal) {
  if (navigator.serviceWorker.controller === null) return;
  try {
    for (const page of pages) await page();
    await forgetBuilds();
    await forgetOthers(new Set(clients));
    await answer(api.GET('/library'));
    for (const client of clients) if (!over.aborted) await keep(client);
  } catch {
    // without a server there is nothing to be kept; the copies of before stay
  }
}

/** Those of the day with their versions: another version is kept anew. */
function dueOn(list: Schemas['ClientList'] | undefined): string {
  if (list === undefined || list.behind > 0) return '';
  const due = list.clients.filter((client) => client.today.some((session) => session.date === list.day));
  return due.map((client) => `${client.id}:${client.version}`).join(' ');
}

/** Keeps the clients of the day on the device to be read without a server: board, week and sheet; they leave with sign-out. */
export function useKeptDay() {
  const queries = useQueryClient();
  const due = useSyncExternalStore(
    (changed) => queries.getQueryCache().subscribe(changed),
    () => dueOn(queries.getQueryData(['clients'])),
  );
  useEffect(() => {
    if (due === '' || !('serviceWorker' in navigator)) return;
    const over = new AbortController();
    const later = setTimeout(() => {
      void keepAll(
        due.split(' ').map((each) => each.split(':')[0] ?? ''),
        over.signal,
      );
    }, IDLE_MS);
    return () => {
      clearTimeout(later);
      over.abort();
    };
  }, [due]);
}
