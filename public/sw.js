// Lets the floor open without the network, in a secure context: pages of the application come from the server where it answers and
// from the last copy where it does not; built files never change under their names. Logs are not kept here but by the page itself.
const KEPT = 'even-rungs';
const PAGE = '/floor';
// none of the application's pages
const OTHERS = ['/own/', '/calendar/', '/api/'];

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

async function fromServerOrKept(request, key) {
  const kept = await caches.open(KEPT);
  try {
    const response = await fetch(request);
    if (response.ok) await kept.put(key, response.clone());
    return response;
  } catch (error) {
    const old = await kept.match(key);
    if (old === undefined) throw error;
    return old;
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
  if (url.pathname.startsWith('/build/')) event.respondWith(fromKeptOrServer(request));
  else if (request.mode === 'navigate' && !OTHERS.some((path) => url.pathname.startsWith(path)))
    event.respondWith(fromServerOrKept(request, PAGE));
  else if (url.pathname === '/api/me') event.respondWith(fromServerOrKept(request, '/api/me'));
});
