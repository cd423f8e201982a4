import { computed, ref, watch, type Ref } from 'vue'
import type { Category, ColourMap, Gap, GapPair, Problem } from '@/api'
import { cache, keys } from './cache'
import { answered, api, asProblem } from './http'
import { useServer } from './useServer'

/** Kinds that are asked about together, those that answer soonest first. */
export const KINDS: Category[][] = [
  ['dress'],
  ['trousers', 'skirt'],
  ['top', 'shirt', 'knit'],
  ['jacket', 'coat'],
  ['shoes', 'boots'],
  ['bag'],
  ['belt'],
  ['scarf'],
  // those are missed only where one of them hangs
  ['tunic', 'jumpsuit', 'shorts'],
  ['waistcoat', 'wrap', 'hosiery'],
  ['hat', 'headscarf', 'gloves', 'tie'],
]

/** What is missing on a rail: kind by kind, so that the first stand there at once; the pair when all are known. */
export function useGaps(clientId: Ref<string>, wanted: Ref<boolean>, stamp: Ref<string>) {
  const found = ref<Gap[]>([])
  const pair = ref<GapPair | null>(null)
  const done = ref(0)
  const problem = ref<Problem | null>(null)
  let round = 0
  async function ask() {
    const mine = ++round
    const client_id = clientId.value
    found.value = []
    pair.value = null
    done.value = 0
    problem.value = null
    try {
      for (const kinds of KINDS) {
        const some = await cache.fetchQuery({
          queryKey: keys.gaps(client_id, kinds.join()),
          queryFn: () =>
            answered(api.GET('/api/clients/{client_id}/gaps', { params: { path: { client_id }, query: { kinds } } })),
          staleTime: 60_000,
        })
        if (mine !== round) return
        found.value = [...found.value, ...some].sort((a, b) => b.worth - a.worth)
        done.value++
      }
      const gaps = found.value.map(({ category, lab, opens, within }) => ({ category, lab, opens, within }))
      const both = await cache.fetchQuery({
        queryKey: keys.gapPair(client_id, JSON.stringify(gaps)),
        queryFn: () =>
          answered(api.POST('/api/clients/{client_id}/gaps/pair', { params: { path: { client_id } }, body: { gaps } })),
        staleTime: 60_000,
      })
      if (mine === round) pair.value = both ?? null
    } catch (error) {
      if (mine === round) problem.value = asProblem(error)
    }
  }
  watch(
    [clientId, wanted, stamp],
    () => {
      if (wanted.value && clientId.value) void ask()
      else round++
    },
    { immediate: true },
  )
  const busy = computed(() => wanted.value && !problem.value && done.value < KINDS.length)
  const stop = () => {
    round++
    done.value = KINDS.length
  }
  return { found, pair, done, busy, problem, stop, ask }
}

/** Where the colours of a rail lie. */
export function useColourMap(clientId: Ref<string>, wanted: () => boolean) {
  const { answer, problem } = useServer<ColourMap>(
    () => (clientId.value && wanted() ? keys.map(clientId.value) : null),
    () => answered(api.GET('/api/clients/{client_id}/map', { params: { path: { client_id: clientId.value } } })),
  )
  return { map: answer, problem }
}
