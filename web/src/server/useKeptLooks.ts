import { computed, type Ref } from 'vue'
import type { Draft } from '@/composables/useLookDraft'
import type { KeptLook, LookBody, LookKept } from '@/api'
import { cache, keys, touch } from './cache'
import { answered, api, asForm } from './http'
import { useForgotten } from './useForgotten'
import { firstProblem } from './firstProblem'
import { useServer } from './useServer'
import { useTried } from './useTried'

/** A client's kept looks. */
export function useKeptLooks(clientId: Ref<string>) {
  const key = () => (clientId.value ? keys.looks(clientId.value) : null)
  const at = () => ({ params: { path: { client_id: clientId.value } } })
  const { answer, problem: asked } = useServer<KeptLook[]>(key, () =>
    answered(api.GET('/api/clients/{client_id}/looks', at())),
  )
  const looks = computed(() => answer.value ?? [])
  const { problem: failed, tried } = useTried()
  const changed = () => touch(keys.all(clientId.value))

  const keep = (draft: Pick<Draft, 'name' | 'pieces' | 'intent' | 'keptAs'>, kept?: LookKept) =>
    tried(async () => {
      const body: LookBody = { name: draft.name, pieces: draft.pieces, intent: draft.intent, ...(kept ? { kept } : {}) }
      const look = draft.keptAs
        ? await answered(api.PUT('/api/looks/{look_id}', { params: { path: { look_id: draft.keptAs } }, body }))
        : await answered(api.POST('/api/clients/{client_id}/looks', { ...at(), body }))
      await changed()
      return look
    })
  /** Changes what is kept about a look; changes that come close together are written one after the other. */
  let writing: Promise<unknown> = Promise.resolve()
  const keepAbout = (id: string, what: LookKept) =>
    (writing = writing.then(async () => {
      const look = cache.getQueryData<KeptLook[]>(keys.looks(clientId.value))?.find((one) => one.id === id)
      if (look)
        await keep({ name: look.name, pieces: look.pieces, intent: look.intent, keptAs: id }, { ...look.kept, ...what })
    }))
  /** Keeps a photo of a look as it was worn, or takes it away. */
  const keepPhoto = (id: string, file: File | null) =>
    tried(async () => {
      const path = { params: { path: { look_id: id } } }
      if (file) await answered(api.POST('/api/looks/{look_id}/photo', { ...path, ...asForm('photo', [file]) }))
      else await answered(api.DELETE('/api/looks/{look_id}/photo', path))
      await changed()
    })
  const { forgotten: gone, noteForgotten, takeBack } = useForgotten(clientId)
  const letGo = (look: KeptLook) =>
    tried(async () => {
      const { change } = await answered(api.DELETE('/api/looks/{look_id}', { params: { path: { look_id: look.id } } }))
      noteForgotten(change, `${look.name} is let go.`)
      await changed()
    })
  const putBack = () => tried(takeBack)
  return {
    looks,
    gone,
    problem: firstProblem(failed, asked),
    keep,
    keepAbout,
    keepPhoto,
    letGo,
    putBack,
  }
}
