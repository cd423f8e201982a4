import { ref, watch, type Ref } from 'vue'
import { keys, touch } from './cache'
import { answered, api } from './http'
import type { Try } from './useTried'

/** What is done to the things of a client: one after the other, however fast the keys come, and every step back. */
export function useStep(clientId: Ref<string>, tried: Try) {
  /** What was done last, for the eye and the screen reader. */
  const told = ref('')
  watch(clientId, () => (told.value = ''))
  let turns: Promise<unknown> = Promise.resolve()
  function inTurn<T>(act: () => Promise<T>): Promise<T> {
    const done = turns.then(act)
    turns = done
    return done
  }
  const step = (way: 'undo' | 'redo') =>
    inTurn(() =>
      tried(async () => {
        const at = { params: { path: { client_id: clientId.value } } }
        const { told: what } = await answered(api.POST(`/api/clients/{client_id}/${way}`, at))
        told.value = `${way === 'undo' ? 'Taken back' : 'Done again'}: ${what}`
        await touch(keys.all(clientId.value), keys.occasionWords)
      }),
    )
  return { told, inTurn, undo: () => step('undo'), redo: () => step('redo') }
}
