import { QueryClient, type QueryFilters, type QueryKey } from '@tanstack/vue-query'

/** What the server said last, for every screen: asked anew when a screen opens and when a change touches it. */
export const cache = new QueryClient({
  defaultOptions: {
    queries: {
      // the server is this machine: there is no network to wait for, and what it refuses once it refuses twice
      networkMode: 'always',
      retry: false,
      refetchOnWindowFocus: false,
      refetchOnReconnect: false,
      // what was asked for while a screen was being loaded is not asked for again by the screen
      staleTime: 500,
    },
  },
})

/** Names of what can be asked. All of a client begins alike, so that a change can touch all of it. */
export const keys = {
  clients: ['clients'],
  all: (client: string) => ['client', client],
  person: (client: string) => ['client', client, 'person'],
  rail: (client: string) => ['client', client, 'rail'],
  looks: (client: string) => ['client', client, 'looks'],
  walls: (client: string) => ['client', client, 'walls'],
  wall: (client: string, wall: string) => ['client', client, 'wall', wall],
  need: (client: string, wall: string, piece: string) => ['client', client, 'need', wall, piece],
  turns: (client: string, asked: string) => ['client', client, 'turns', asked],
  day: (client: string, asked: string) => ['client', client, 'day', asked],
  verdict: (client: string, asked: string) => ['client', client, 'verdict', asked],
  figures: (client: string, asked: string) => ['client', client, 'figures', asked],
  photos: (client: string) => ['client', client, 'photos'],
  jobs: (client: string) => ['client', client, 'jobs'],
  rereading: (client: string) => ['client', client, 'rereading'],
  rooms: (client: string, seen: string) => ['client', client, 'rooms', seen],
  near: (client: string, photo: string, reading: string) => ['client', client, 'near', photo, reading],
  trials: (client: string) => ['client', client, 'trials'],
  follows: (client: string) => ['client', client, 'follows'],
  sideBySide: (client: string) => ['client', client, 'side by side'],
  comparedPhotos: (client: string) => ['client', client, 'compared photos'],
  photoPair: (client: string, left: string, right: string) => ['client', client, 'photo pair', left, right],
  audit: (client: string) => ['client', client, 'audit'],
  work: (client: string) => ['client', client, 'work'],
  company: (client: string, piece: string) => ['client', client, 'company', piece],
  what: (client: string, of: string, word: string) => ['client', client, 'what', of, word],
  candidates: (client: string) => ['client', client, 'candidates'],
  considered: (client: string, candidate: string, as: string) => ['client', client, 'considered', candidate, as],
  together: (client: string, one: string, other: string) => ['client', client, 'together', one, other],
  gaps: (client: string, kinds: string) => ['client', client, 'gaps', kinds],
  gapPair: (client: string, gaps: string) => ['client', client, 'gap pair', gaps],
  map: (client: string) => ['client', client, 'map'],
  plans: (client: string) => ['client', client, 'plans'],
  plan: (client: string, plan: string) => ['client', client, 'plan', plan],
  others: (client: string, plan: string, event: string, now: string) => ['client', client, 'others', plan, event, now],
  capsules: (client: string) => ['client', client, 'capsules'],
  lookbooks: (client: string) => ['client', client, 'lookbooks'],
  lookbook: (client: string, book: string) => ['client', client, 'lookbook', book],
  bookPages: (client: string) => ['client', client, 'book page'],
  bookPage: (client: string, book: string, page: string) => ['client', client, 'book page', book, page],
  wears: (client: string, first: string, last: string) => ['client', client, 'wears', first, last],
  wearing: (client: string) => ['client', client, 'wearing'],
  palettes: (client: string) => ['client', client, 'palettes'],
  leanings: (client: string) => ['client', client, 'leanings'],
  changes: (client: string) => ['client', client, 'changes'],
  lights: ['lights'],
  occasionWords: ['occasion words'],
  taste: ['taste'],
  studio: ['studio', 'devices'],
  held: ['studio', 'held'],
  backups: ['studio', 'backups'],
} satisfies Record<string, QueryKey | ((...of: string[]) => QueryKey)>

/**
 * A first answer that is still on its way may have been given before a change, and the cache would take it for the new
 * one: once it is there, it is asked for once more.
 */
async function askAgain(filters: QueryFilters): Promise<void> {
  const onTheirWay = new Set(
    cache
      .getQueryCache()
      .findAll({ ...filters, fetchStatus: 'fetching' })
      .filter((query) => query.state.data === undefined),
  )
  await cache.invalidateQueries(filters)
  if (onTheirWay.size) await cache.invalidateQueries({ predicate: (query) => onTheirWay.has(query) })
}

/** What was touched is no longer true: whoever shows it asks again, and nobody waits for an older answer. */
export async function touch(...touched: QueryKey[]): Promise<void> {
  await Promise.all(touched.map((queryKey) => askAgain({ queryKey })))
}

/**
 * Shows what is known now; an answer that is on its way is older and not waited for. Tells whether there was one: it may
 * have brought more than what is known, so that whoever does not touch the key anyway has to ask again.
 */
export async function showNow<T>(queryKey: QueryKey, now: (before: T | undefined) => T | undefined): Promise<boolean> {
  const onItsWay = cache.isFetching({ queryKey, exact: true }) > 0
  await cache.cancelQueries({ queryKey, exact: true })
  cache.setQueryData<T>(queryKey, now)
  return onItsWay
}

/** All of a client but what is known already. */
export async function touchAllBut(client: string, known: QueryKey): Promise<void> {
  const same = JSON.stringify(known)
  await askAgain({
    queryKey: keys.all(client),
    predicate: (query) => JSON.stringify(query.queryKey) !== same,
  })
}
