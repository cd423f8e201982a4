import { onScopeDispose, ref, shallowRef, type Ref } from 'vue'
import { answered, api, type Backups, type Holdings } from '@/api'
import { plural } from '@/lib/words'
import { useTried } from './useTried'

const LOOKS_AGAIN_AFTER = 700

/** What is kept, what lies aside, and the backups; a backup under way is followed until it is done. */
export function useSafekeeping() {
  const held = shallowRef<Holdings | null>(null)
  const backups: Ref<Backups | null> = shallowRef(null)
  const said = ref('')
  const { problem, tried } = useTried()
  let timer = 0
  let gone = false

  const loadHeld = () => tried(async () => (held.value = await answered(api.GET('/api/studio/kept'))))
  async function loadBackups(): Promise<void> {
    window.clearTimeout(timer)
    const found = await tried(() => answered(api.GET('/api/studio/backups')))
    if (found) backups.value = found
    if (!gone && found?.by_hand?.running) timer = window.setTimeout(() => void loadBackups(), LOOKS_AGAIN_AFTER)
  }
  void loadHeld()
  void loadBackups()
  onScopeDispose(() => {
    gone = true
    window.clearTimeout(timer)
  })

  const change = async (act: () => Promise<unknown>) => {
    if ((await tried(act)) !== null) await loadBackups()
  }
  const make = (passphrase: string | null) =>
    change(async () => {
      await answered(api.POST('/api/studio/backups', { body: { passphrase } }))
      return true
    })
  const stop = () =>
    change(async () => {
      await answered(api.DELETE('/api/studio/backups/under-way'))
      return true
    })
  const move = (place: string) =>
    change(async () => {
      await answered(api.PUT('/api/studio/backups/place', { body: { place } }))
      return true
    })
  const take = (names: string[], client_id: string) =>
    tried(async () => {
      const taken = await answered(api.POST('/api/studio/aside/take', { body: { names, client_id } }))
      const refused = taken.filter((one) => one.problem)
      said.value = `${plural(taken.length - refused.length, 'photo')} taken in again.${refused.length ? ` ${plural(refused.length, 'photo')} could not be read and stay aside.` : ''}`
      await loadHeld()
    })
  const throwAway = (names: string[]) =>
    tried(async () => {
      await answered(api.POST('/api/studio/aside/delete', { body: { names } }))
      said.value = `${plural(names.length, 'file')} deleted.`
      await loadHeld()
    })
  return { held, backups, said, problem, make, stop, move, take, throwAway }
}
