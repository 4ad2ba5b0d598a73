/**
 * Opens the page again without a connection: the shell and everything it is made of lie in the browser's cache, by the name of the
 * build. What the API answers is not kept here: sheets are kept by the page itself, for who has read them.
 */
declare const SHELL: { build: string; files: string[] };

const worker = self as unknown as ServiceWorkerGlobalScope;
const NAME = `wornpath-shell-${SHELL.build}`;
const PAGE = '/index.html';

worker.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(NAME)
      .then((cache) => cache.addAll([PAGE, ...SHELL.files]))
      .then(() => worker.skipWaiting()),
  );
});

worker.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) => Promise.all(names.filter((n) => n.startsWith('wornpath-shell-') && n !== NAME).map((n) => caches.delete(n))))
      .then(() => worker.clients.claim()),
  );
});

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== worker.location.origin || url.pathname.startsWith('/api/')) return;
  if (request.mode === 'navigate') {
    // The server's page first: it may be a newer one.
    event.respondWith(fetch(request).catch(async () => (await caches.match(PAGE)) ?? Response.error()));
    return;
  }
  event.respondWith(caches.match(request).then((kept) => kept ?? fetch(request)));
});
