/** A page of a client: the last part of its address, and how it is called. */
export interface ClientPage {
  to: string;
  name: string;
  /** shared with clinicians */
  readers?: true;
}

/** The pages of a client in four places, by when they are used. */
export const places: readonly { name: string; pages: readonly ClientPage[] }[] = [
  {
    name: 'On the day',
    pages: [
      { to: 'door', name: 'Door' },
      { to: 'log', name: 'Log' },
    ],
  },
  {
    name: 'Planning',
    pages: [
      { to: 'wall', name: 'Wall' },
      { to: 'week', name: 'Week' },
      { to: 'program', name: 'Program' },
      { to: 'build', name: 'Builder' },
      { to: 'road', name: 'Road' },
      { to: 'what-if', name: 'What if' },
    ],
  },
  {
    name: 'Looking back',
    pages: [
      { to: 'even', name: 'Even', readers: true },
      { to: 'progress', name: 'Progress', readers: true },
      { to: 'tests', name: 'Tests' },
    ],
  },
  {
    name: 'The person',
    pages: [
      { to: 'screen', name: 'Screen', readers: true },
      { to: 'edit', name: 'Details' },
      { to: 'sheet', name: 'Sheet', readers: true },
      { to: 'record', name: 'Record', readers: true },
    ],
  },
];

/** The pages that belong to nobody in particular. */
export const pages: readonly { to: string; name: string; readers?: true; owners?: true; inMenu?: true }[] = [
  { to: '/today', name: 'Today', inMenu: true },
  { to: '/clients', name: 'Clients', readers: true, inMenu: true },
  { to: '/floor', name: 'Floor', inMenu: true },
  { to: '/library', name: 'Library', inMenu: true },
  { to: '/build', name: 'Build', inMenu: true },
  { to: '/audit', name: 'Audit', inMenu: true },
  { to: '/group', name: 'Group', inMenu: true },
  { to: '/styles', name: 'Styles', inMenu: true },
  { to: '/studio', name: 'Studio', owners: true, inMenu: true },
  { to: '/clients/new', name: 'Add a client' },
  { to: '/clients/table', name: 'Clients from a table' },
  { to: '/clients/programs', name: 'Programs from a table' },
  { to: '/sheets', name: 'Sheets' },
  { to: '/archive', name: 'Archive' },
  { to: '/library/words', name: 'Your own words' },
  { to: '/account', name: 'Account', readers: true },
  { to: '/help', name: 'Help', readers: true },
];

/** What the page at an address is called; of a client's pages without whose it is. */
export function pageName(path: string): string {
  if (/^\/clients\/[^/]+\/start$/.test(path)) return 'First week';
  const of = /^\/clients\/[^/]+\/([a-z-]+)/.exec(path);
  const client = places.flatMap((place) => place.pages).find((page) => page.to === of?.[1]);
  if (client !== undefined) return client.name;
  const best = [...pages].filter((page) => path === page.to || path.startsWith(`${page.to}/`));
  return best.sort((a, b) => b.to.length - a.to.length)[0]?.name ?? 'Even Rungs';
}
