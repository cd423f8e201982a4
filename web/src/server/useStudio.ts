import type { Studio } from '@/api'
import { keys, touch } from './cache'
import { answered, api, asForm } from './http'
import { firstProblem } from './firstProblem'
import { useServer } from './useServer'
import { useTried } from './useTried'

/** The studio's devices: reference card, colour reader, watched folder. */
export function useStudio() {
  const { answer: studio, problem: asked } = useServer<Studio>(
    () => keys.studio,
    () => answered(api.GET('/api/studio')),
  )
  const { problem: failed, tried } = useTried()
  const changed = <T>(act: () => Promise<T>) =>
    tried(async () => {
      const done = await act()
      await touch(keys.studio)
      return done
    })
  const calibrate = () =>
    tried(async () => {
      await answered(api.POST('/api/reader/calibrate'))
      return true
    })
  /** Reads a patch of the card; how many are still to come. */
  const readPatch = (number: number) =>
    changed(async () => (await answered(api.POST('/api/card/measure/{number}', { params: { path: { number } } }))).left)
  const forgetCard = () => changed(() => answered(api.DELETE('/api/card/measure')))
  const takeCard = (file: File) =>
    changed(async () => {
      await answered(api.POST('/api/card/measured', asForm('card', [file])))
      return true
    })
  const watchFolder = (path: string, client_id: string) =>
    changed(() => answered(api.PUT('/api/studio/watched', { body: { path, client_id } })))
  const stopWatching = () => changed(() => answered(api.DELETE('/api/studio/watched')))
  const problem = firstProblem(failed, asked)
  return { studio, problem, calibrate, readPatch, forgetCard, takeCard, watchFolder, stopWatching }
}
