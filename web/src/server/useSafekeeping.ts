import { ref } from 'vue'
import type { Backups, Holdings } from '@/api'
import { plural } from '@/lib/words'
import { cache, keys, touch } from './cache'
import { answered, api } from './http'
import { firstProblem } from './firstProblem'
import { useServer } from './useServer'
import { useTried } from './useTried'

const LOOKS_AGAIN_AFTER = 700

/** What is kept, what lies aside, and the backups; a backup under way is followed until it is done. */
export function useSafekeeping() {
  const held = useServer<Holdings>(
    () => keys.held,
    () => answered(api.GET('/api/studio/kept')),
  )
  const backups = useServer<Backups>(
    () => keys.backups,
    () => answered(api.GET('/api/studio/backups')),
    { every: () => (cache.getQueryData<Backups>(keys.backups)?.by_hand?.running ? LOOKS_AGAIN_AFTER : false) },
  )
  const said = ref('')
  const { problem: failed, tried } = useTried()

  const change = (act: () => Promise<unknown>) =>
    tried(async () => {
      await act()
      await touch(keys.backups)
    })
  const make = (passphrase: string | null) =>
    change(() => answered(api.POST('/api/studio/backups', { body: { passphrase } })))
  const stop = () => change(() => answered(api.DELETE('/api/studio/backups/under-way')))
  const move = (place: string) => change(() => answered(api.PUT('/api/studio/backups/place', { body: { place } })))
  const take = (names: string[], client_id: string) =>
    tried(async () => {
      const taken = await answered(api.POST('/api/studio/aside/take', { body: { names, client_id } }))
      const refused = taken.filter((one) => one.problem)
      said.value = `${plural(taken.length - refused.length, 'photo')} taken in again.${refused.length ? ` ${plural(refused.length, 'photo')} could not be read and stay aside.` : ''}`
      await touch(keys.held, keys.all(client_id))
    })
  const throwAway = (names: string[]) =>
    tried(async () => {
      await answered(api.POST('/api/studio/aside/delete', { body: { names } }))
      said.value = `${plural(names.length, 'file')} deleted.`
      await touch(keys.held)
    })
  const problem = firstProblem(failed, held.problem, backups.problem)
  return { held: held.answer, backups: backups.answer, said, problem, make, stop, move, take, throwAway }
}
