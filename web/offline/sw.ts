/// <reference lib="webworker" />
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { changesHands, DATA, givenAgain, isKept, KEPT_HEADER } from './kept'

declare const self: ServiceWorkerGlobalScope & { readonly __WB_MANIFEST: readonly (PrecacheEntry | string)[] }

/** The page itself, as the server makes it; every address of the app opens with it. */
const SHELL = '/app-shell'
/** Answers kept at most: a house of hundreds of knives opened one by one stays below. */
const MOST_KEPT = 400
/** A server that has not answered for so long is taken to be away where there is something kept. */
const PATIENCE_MS = 10_000

/** Counts who came and went: an answer that was asked for before is not kept after. */
let hands = 0

precacheAndRoute([...self.__WB_MANIFEST])
cleanupOutdatedCaches()
// the page that is open already is kept from now on, not from its next visit
self.addEventListener('activate', (event) => {
  event.waitUntil(self.clients.claim())
})

/** What the network says, or nothing where it says nothing in time, or that its database is away. */
async function fromNetwork(request: Request): Promise<Response | null> {
  const patience = new AbortController()
  const timer = setTimeout(() => {
    patience.abort()
  }, PATIENCE_MS)
  try {
    const answer = await fetch(request, { signal: patience.signal })
    return answer.status >= 500 ? null : answer
  } catch {
    return null
  } finally {
    clearTimeout(timer)
  }
}

async function keep(request: Request, answer: Response, askedBy: number): Promise<void> {
  const cache = await caches.open(DATA)
  const headers = new Headers({ 'Content-Type': 'application/json', [KEPT_HEADER]: String(Date.now()) })
  // the newest is put last, the oldest is let go of first
  await cache.delete(request.url)
  const text = await answer.text()
  if (askedBy !== hands) return
  await cache.put(request.url, new Response(text, { headers }))
  const keys = await cache.keys()
  for (const old of keys.slice(0, Math.max(0, keys.length - MOST_KEPT))) await cache.delete(old)
}

async function fromKept(request: Request): Promise<Response | null> {
  const kept = await (await caches.open(DATA)).match(request.url)
  if (!kept) return null
  const keptMs = Number(kept.headers.get(KEPT_HEADER))
  return new Response(givenAgain(await kept.text(), keptMs, Date.now()), { headers: kept.headers })
}

// the network first: whoever is connected sees what is; who is not sees what was
registerRoute(
  ({ url, request, sameOrigin }) => sameOrigin && request.method === 'GET' && isKept(url.pathname),
  async ({ request, event }) => {
    const askedBy = hands
    const kept = await fromKept(request)
    const answer = kept ? await fromNetwork(request) : await fetch(request)
    if (!answer) return kept ?? Response.error()
    if (answer.ok) event.waitUntil(keep(request, answer.clone(), askedBy))
    return answer
  },
)

for (const method of ['POST', 'DELETE'] as const)
  registerRoute(
    ({ url, sameOrigin }) => sameOrigin && changesHands(method, url.pathname),
    async ({ request }) => {
      // also where the server cannot be asked: what one person saw is not the next one's
      hands++
      await caches.delete(DATA)
      return await fetch(request)
    },
    method,
  )

registerRoute(
  new NavigationRoute(
    async ({ request }) => (await fromNetwork(request)) ?? (await matchPrecache(SHELL)) ?? Response.error(),
    { denylist: [/^\/api\//] },
  ),
)
