import { ref, type Ref } from 'vue'
import type { Held, Trial } from '@/api'
import { keys, touch } from './cache'
import { answered, api } from './http'
import { useTried } from './useTried'

/** One trial by drapes, under way or looked at again. */
export function useTrial(clientId: Ref<string>) {
  const trial = ref<Trial | null>(null)
  const { problem, tried } = useTried()
  const path = (id: string) => ({ params: { path: { trial_id: id } } })
  const told = () => touch(keys.all(clientId.value), keys.clients)

  const open = (id: string) =>
    tried(async () => (trial.value = await answered(api.GET('/api/trials/{trial_id}', path(id)))))
  const begin = () =>
    tried(async () => {
      const at = { params: { path: { client_id: clientId.value } } }
      return (trial.value = await answered(api.POST('/api/clients/{client_id}/trials', at)))
    })
  const say = (left: number, right: number, held: Held) =>
    tried(async () => {
      if (!trial.value) return
      trial.value = await answered(
        api.POST('/api/trials/{trial_id}/held', { ...path(trial.value.id), body: { left, right, held } }),
      )
      if (trial.value.ended) await told()
    })
  const undo = () =>
    tried(async () => {
      if (!trial.value?.held.length) return false
      trial.value = await answered(api.DELETE('/api/trials/{trial_id}/held/last', path(trial.value.id)))
      return true
    })
  /** Ends the trial; one in which nothing was held is forgotten. Whether there is still one. */
  const stop = () =>
    tried(async () => {
      if (!trial.value) return false
      if (trial.value.held.length)
        trial.value = await answered(api.POST('/api/trials/{trial_id}/end', path(trial.value.id)))
      else await answered(api.DELETE('/api/trials/{trial_id}', path(trial.value.id)))
      await told()
      return trial.value.held.length > 0
    })
  return { trial, problem, open, begin, say, undo, stop }
}
