// A page that is kept for when there is no connection (a student's, a rehearsal's): its own pieces come from what was kept, and what is fetched is never kept here.
const keptFor = (path) => (path.startsWith('/s/') ? '/s/page' : /^\/pieces\/\d+\/rehearse$/.test(path) ? '/pieces/page' : null)
self.addEventListener('install', () => self.skipWaiting())
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))
self.addEventListener('fetch', (event) => {
    const { request } = event
    const address = new URL(request.url)
    if (request.method !== 'GET' || address.origin !== self.location.origin) {
        return
    }
    const kept = request.mode === 'navigate' ? keptFor(address.pathname) : null
    if (kept) {
        // A server that is being changed answers as one that is not there.
        event.respondWith(fetch(request).then(async (answer) => (answer.status < 500 ? answer : ((await caches.match(kept)) ?? answer)), async () => (await caches.match(kept)) ?? Response.error()))
    } else if (address.pathname.startsWith('/build/')) {
        event.respondWith(caches.match(request).then((there) => there ?? fetch(request)))
    }
})
