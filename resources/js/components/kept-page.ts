/**
 * Keeps a page itself in this browser, with its own pieces, so that it opens without a network where the address is secure.
 *
 * @param cache its name
 * @param scope of the addresses that open it, with a slash at its end; below it, `page` is the page without anything on it
 * @param alone it is a document of its own: what else was kept is of an older version, and goes
 */
export async function keepPage(cache: string, scope: string, alone: boolean): Promise<void> {
    if (!window.isSecureContext || !('serviceWorker' in navigator)) {
        return
    }
    try {
        await navigator.serviceWorker.register('/kept-page-worker.js', { scope })
        const kept = await caches.open(cache)
        const own = performance.getEntriesByType('resource').map(({ name }) => name).filter((name) => name.startsWith(`${location.origin}/build/`))
        const there = new Set((await kept.keys()).map(({ url }) => url))
        await Promise.all(own.filter((name) => !there.has(name)).map((name) => kept.add(name)))
        const page = await fetch(`${scope}page`)
        // An error page is never kept in its place.
        if (page.ok) {
            await kept.put(`${scope}page`, page)
        }
        await Promise.all([...there].filter((name) => alone && name.includes('/build/') && !own.includes(name)).map((name) => kept.delete(name)))
    } catch {
        // Then it works on line only.
    }
}
