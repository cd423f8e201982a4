import { ref, watch, type Ref } from 'vue'
import { answered, api, asProblem, type Intent, type Judged, type Problem } from '@/api'

/** The verdict on the pieces worn; a late answer to an older look is dropped. */
export function useVerdict(clientId: Ref<string>, worn: Ref<string[]>, intent: Ref<Intent | null>, rain: Ref<boolean>) {
  const judged = ref<Judged | null>(null)
  const problem = ref<Problem | null>(null)
  let asked = 0

  async function judge() {
    const mine = ++asked
    if (!worn.value.length) {
      judged.value = null
      return
    }
    try {
      const found = await answered(
        api.POST('/api/clients/{client_id}/judge', {
          params: { path: { client_id: clientId.value } },
          body: { pieces: worn.value, intent: intent.value, rain: rain.value },
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
  watch([clientId, worn, intent, rain], judge, { immediate: true })

  /** Waves a note away for this client. */
  async function dismiss(key: string) {
    try {
      await answered(api.POST('/api/clients/{client_id}/notes', { params: { path: { client_id: clientId.value } }, body: { key, again: false } }))
      await judge()
    } catch (error) {
      problem.value = asProblem(error)
    }
  }
  return { judged, problem, dismiss }
}
