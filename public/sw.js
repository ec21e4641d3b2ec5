// Shows a page of ours where the server cannot be reached; all else goes its usual way.
const PAGE = '/offline.html';
const STORE = 'tarnwind-offline-1';

self.addEventListener('install', (event) => {
    event.waitUntil(caches.open(STORE).then((store) => store.add(PAGE)));
    self.skipWaiting();
});

self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
    if (event.request.mode !== 'navigate') return;
    event.respondWith(fetch(event.request).catch(() => caches.match(PAGE).then((page) => page ?? Response.error())));
});
