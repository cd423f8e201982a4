import { ref, watch, type Ref } from 'vue'
import { keys, touch } from './cache'
import { answered, api } from './http'

/** What a screen let go last, until it is taken back: that change of the journal and no newer one. */
export function useForgotten(clientId: Ref<string>) {
  const forgotten = ref<{ change: number; told: string } | null>(null)
  function noteForgotten(change: number | null, told: string) {
    forgotten.value = change === null ? null : { change, told }
  }
  /** What was taken back, in the words of the journal. Offered again when it fails. */
  async function takeBack() {
    const was = forgotten.value
    if (!was) return null
    forgotten.value = null // at once: the next key is meant for something else
    try {
      const query = { change: was.change }
      const client_id = clientId.value
      const { told } = await answered(
        api.POST('/api/clients/{client_id}/undo', { params: { path: { client_id }, query } }),
      )
      await touch(keys.all(client_id))
      return told
    } catch (error) {
      forgotten.value = was
      throw error
    }
  }
  watch(clientId, () => (forgotten.value = null))
  return { forgotten, noteForgotten, takeBack }
}
