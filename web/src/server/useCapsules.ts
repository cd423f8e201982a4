import { computed, type Ref } from 'vue'
import type { Capsule, CapsuleBody } from '@/api'
import { cache, keys, touch } from './cache'
import { firstProblem } from './firstProblem'
import { answered, api, asForm } from './http'
import { useServer } from './useServer'
import { useStep } from './useStep'
import { useTried } from './useTried'

/** How often capsules are looked at while one is being chosen, in milliseconds. */
const WATCHED_EVERY = 300

/** A client's capsules: chosen, walked along the curve, named, let go, every step back. */
export function useCapsules(clientId: Ref<string>, now: () => boolean = () => true) {
  const { problem: failed, tried } = useTried()
  const { told, inTurn, undo, redo } = useStep(clientId, tried)
  const at = () => ({ params: { path: { client_id: clientId.value } } })
  const path = (id: string) => ({ params: { path: { capsule_id: id } } })
  const {
    answer,
    problem: unlisted,
    fresh: loaded,
  } = useServer<Capsule[]>(
    () => keys.capsules(clientId.value),
    () => answered(api.GET('/api/clients/{client_id}/capsules', at())),
    {
      now,
      every: () =>
        cache.getQueryData<Capsule[]>(keys.capsules(clientId.value))?.some((one) => one.choosing !== null)
          ? WATCHED_EVERY
          : false,
    },
  )
  const done = (act: () => Promise<Capsule>) =>
    inTurn(() =>
      tried(async () => {
        const made = await act()
        await touch(keys.capsules(clientId.value), keys.plans(clientId.value), keys.changes(clientId.value))
        return made
      }),
    )
  const choose = (body: CapsuleBody) =>
    done(() => answered(api.POST('/api/clients/{client_id}/capsules', { ...at(), body })))
  const readIn = (file: File) =>
    done(() => answered(api.POST('/api/clients/{client_id}/capsules/file', { ...at(), ...asForm('capsule', [file]) })))
  const change = (id: string, body: { name?: string; pieces?: number }) =>
    done(() => answered(api.PUT('/api/capsules/{capsule_id}', { ...path(id), body })))
  const stop = (id: string) => done(() => answered(api.DELETE('/api/capsules/{capsule_id}/choosing', path(id))))
  const letGo = (one: Capsule) =>
    inTurn(() =>
      tried(async () => {
        await answered(api.DELETE('/api/capsules/{capsule_id}', path(one.id)))
        told.value = `${one.name} is let go. Ctrl+Z puts it back.`
        await touch(keys.capsules(clientId.value), keys.changes(clientId.value))
        return true
      }),
    )
  return {
    capsules: computed(() => answer.value ?? []),
    loaded,
    told,
    problem: firstProblem(failed, unlisted),
    choose,
    readIn,
    change,
    stop,
    letGo,
    undo,
    redo,
  }
}
