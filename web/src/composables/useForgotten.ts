import { ref, type Ref } from 'vue'
import { answered, api } from '@/api'

/** What was forgotten last on a screen, until it is taken back or something else is done. */
export function useForgotten(clientId: Ref<string>) {
  const forgotten = ref<{ change: number; told: string } | null>(null)
  function noteForgotten(change: number | null, told: string) {
    forgotten.value = change === null ? null : { change, told }
  }
  /** Refused by the server when something else was changed since. */
  async function takeBack() {
    const change = forgotten.value?.change
    forgotten.value = null
    if (change !== undefined) await answered(api.POST('/api/clients/{client_id}/undo', { params: { path: { client_id: clientId.value }, query: { change } } }))
  }
  return { forgotten, noteForgotten, takeBack }
}
