import { computed, type Ref } from 'vue'
import type { SideBySide, SideBySideBody } from '@/api'
import { cache, keys, touch } from './cache'
import { answered, api } from './http'
import { useForgotten } from './useForgotten'
import { firstProblem } from './firstProblem'
import { useServer } from './useServer'
import { useTried } from './useTried'

/** What was held side by side, the newest first. */
export function useSideBySide(clientId: Ref<string>) {
  const at = () => ({ params: { path: { client_id: clientId.value } } })
  const key = () => keys.sideBySide(clientId.value)
  const { answer, problem: asked } = useServer<SideBySide[]>(
    () => (clientId.value ? key() : null),
    () => answered(api.GET('/api/clients/{client_id}/side-by-side', at())),
  )
  const { problem: failed, tried } = useTried()
  const { forgotten, noteForgotten, takeBack } = useForgotten(clientId)

  const keep = (body: SideBySideBody) =>
    tried(async () => {
      const one = await answered(api.POST('/api/clients/{client_id}/side-by-side', { ...at(), body }))
      cache.setQueryData<SideBySide[]>(key(), (before) => [one, ...(before ?? [])])
      await touch(keys.taste)
      return one
    })
  const forget = (one: SideBySide) =>
    tried(async () => {
      const { change } = await answered(
        api.DELETE('/api/side-by-side/{compared_id}', { params: { path: { compared_id: one.id } } }),
      )
      cache.setQueryData<SideBySide[]>(key(), (before) => before?.filter((other) => other.id !== one.id))
      noteForgotten(change, `${one.left.label} against ${one.right.label} is forgotten.`)
      await touch(keys.taste)
    })
  const remember = () => tried(takeBack)
  return {
    kept: computed(() => answer.value ?? []),
    problem: firstProblem(failed, asked),
    tried,
    keep,
    forgotten,
    forget,
    remember,
  }
}
