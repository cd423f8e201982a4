import { computed, ref, watch, type Ref } from 'vue'
import { useRoute } from 'vue-router'
import { answered, api, asProblem, type Client, type Problem } from '@/api'

const client = ref<Client | null>(null)
const problem = ref<Problem | null>(null)
/** The client that is being asked for: header and screen need no two first answers. */
let asking: string | null = null
let newest = 0

/** The client at work: named by the address, shared by the header and the screens. */
export function useClient(): {
  id: Ref<string>
  client: Ref<Client | null>
  problem: Ref<Problem | null>
  reload: () => Promise<void>
} {
  const route = useRoute()
  const id = computed(() => String(route.params.client ?? ''))
  async function reload() {
    const wanted = id.value
    if (!wanted) return
    asking = wanted
    const mine = ++newest
    try {
      const found = await answered(api.GET('/api/clients/{client_id}', { params: { path: { client_id: wanted } } }))
      if (id.value === wanted && mine === newest) client.value = found
      problem.value = null
    } catch (error) {
      problem.value = asProblem(error)
    } finally {
      if (mine === newest) asking = null
    }
  }
  watch(
    id,
    (now) => {
      if (client.value?.id !== now) {
        client.value = null
        if (asking !== now) void reload()
      }
    },
    { immediate: true },
  )
  return { id, client, problem, reload }
}
