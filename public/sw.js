// Lets the floor open and the day be read without the network, in a secure context: pages of the application and what is read of the
// day come from the server where it answers and from the last copy where it does not; built files never change under their names. Logs
// are not kept here but by the page itself.
const KEPT = 'even-rungs';
const PAGE = '/floor';
// what never changes under its name
const BUILT = /^\/(build\/assets|build\/own|drawn)\//;
// none of the application's pages
const OTHERS = ['/own/', '/calendar/', '/api/'];
// what is read without a server: who is signed in, the day, the tables, and of a client the board, a week and the sheet
const READ = [
  /^\/api\/(me|clients|library)$/,
  /^\/api\/clients\/[^/]+\/(board|sheet|sheet\.html|programs\/current\/weeks\/\d+)$/,
];
// what a web server says whose application is gone
const GONE = [502, 503, 504];

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

/** Under what address a copy is kept: the newest of a sheet, whatever version of the client it is of. */
function keyOf(url) {
  const asked = new URLSearchParams(url.search);
  asked.delete('of');
  return asked.size === 0 ? url.pathname : `${url.pathname}?${asked}`;
}

/** The copy, which says from when it is. */
function copyOf(kept) {
  const headers = new Headers(kept.headers);
  headers.set('X-Kept-Since', kept.headers.get('Date') ?? '');
  return new Response(kept.body, { status: kept.status, headers });
}

async function fromServerOrKept(request, key) {
  const kept = await caches.open(KEPT);
  const old = () => kept.match(key, { ignoreVary: true });
  try {
    const response = await fetch(request);
    if (response.ok) await kept.put(key, response.clone());
    const copy = GONE.includes(response.status) ? await old() : undefined;
    return copy === undefined ? response : copyOf(copy);
  } catch (error) {
    const copy = await old();
    if (copy === undefined) throw error;
    return copyOf(copy);
  }
}

async function fromKeptOrServer(request) {
  const kept = await caches.open(KEPT);
  const old = await kept.match(request);
  if (old !== undefined) return old;
  const response = await fetch(request);
  if (response.ok) await kept.put(request, response.clone());
  return response;
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (BUILT.test(url.pathname)) event.respondWith(fromKeptOrServer(request));
  else if (READ.some((path) => path.test(url.pathname))) event.respondWith(fromServerOrKept(request, keyOf(url)));
  else if (request.mode === 'navigate' && !OTHERS.some((path) => url.pathname.startsWith(path)))
    event.respondWith(fromServerOrKept(request, PAGE));
});
