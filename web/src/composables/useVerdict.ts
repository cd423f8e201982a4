import { ref, watch, type Ref } from 'vue'
import { answered, api, asProblem, type Asking, type Judged, type Problem } from '@/api'

/** The verdict on what is asked; a late answer to an older look is dropped. Nothing asked, nothing judged. */
export function useVerdict(clientId: Ref<string>, asking: Ref<Asking | null>) {
  const judged = ref<Judged | null>(null)
  const problem = ref<Problem | null>(null)
  let asked = 0

  async function judge() {
    const mine = ++asked
    if (!asking.value?.pieces.length) {
      judged.value = null
      return
    }
    try {
      const found = await answered(
        api.POST('/api/clients/{client_id}/judge', {
          params: { path: { client_id: clientId.value } },
          body: asking.value,
        }),
      )
      if (mine === asked) {
        judged.value = found
        problem.value = null
      }
    } catch (error) {
      if (mine === asked) problem.value = asProblem(error)
    }
  }
  watch(() => clientId.value + JSON.stringify(asking.value), judge, { immediate: true })

  /** Waves a note away for this client. */
  async function dismiss(key: string) {
    try {
      await answered(
        api.POST('/api/clients/{client_id}/notes', {
          params: { path: { client_id: clientId.value } },
          body: { key, again: false },
        }),
      )
      await judge()
    } catch (error) {
      problem.value = asProblem(error)
    }
  }
  return { judged, problem, dismiss }
}
