import { computed } from 'vue'
import type { Palette } from '@/api'
import { keys, touch } from './cache'
import { answered, api, asForm } from './http'
import { firstProblem } from './firstProblem'
import { useServer } from './useServer'
import { useTried } from './useTried'

type Plain = { name: string; lab: number[] }

/** A client's palettes: kept ones, and what can be asked of one that is not kept yet. */
export function usePalettes(clientId: () => string) {
  const { problem: failed, tried } = useTried()
  const at = () => ({ params: { path: { client_id: clientId() } } })
  const { answer, problem: asked } = useServer<Palette[]>(
    () => keys.palettes(clientId()),
    () => answered(api.GET('/api/clients/{client_id}/palettes', at())),
  )
  const find = (count: number, within: number, kept: Plain[]) =>
    answered(api.POST('/api/clients/{client_id}/palettes/find', { ...at(), body: { count, within, kept } }))
  const fit = (within: number, colours: Plain[]) =>
    answered(api.POST('/api/clients/{client_id}/palettes/try', { ...at(), body: { name: '', within, colours } }))
  const read = (file: File) =>
    answered(api.POST('/api/clients/{client_id}/palettes/read', { ...at(), ...asForm('palette', [file]) }))
  async function keep(id: string | null, name: string, within: number, colours: Plain[]): Promise<Palette> {
    const body = { name, within, colours }
    const path = { client_id: clientId(), palette_id: id ?? '' }
    const kept = id
      ? await answered(api.PUT('/api/clients/{client_id}/palettes/{palette_id}', { params: { path }, body }))
      : await answered(api.POST('/api/clients/{client_id}/palettes', { ...at(), body }))
    await touch(keys.palettes(clientId()), keys.changes(clientId()))
    return kept
  }
  async function letGo(id: string): Promise<void> {
    await answered(api.DELETE('/api/palettes/{palette_id}', { params: { path: { palette_id: id } } }))
    await touch(keys.palettes(clientId()), keys.changes(clientId()))
  }
  const kept = computed(() => answer.value ?? [])
  return { kept, problem: firstProblem(failed, asked), tried, find, fit, read, keep, letGo }
}
