import { ref, watch, type Ref } from 'vue'
import { answered, api, asForm, type KeptLook, type LookBody, type LookKept } from '@/api'
import { useForgotten } from './useForgotten'
import { useTried } from './useTried'
import type { Draft } from './useLookDraft'

/** A client's kept looks. */
export function useKeptLooks(clientId: Ref<string>) {
  const looks = ref<KeptLook[]>([])
  const { problem, tried } = useTried()

  const load = () =>
    tried(async () => {
      looks.value = await answered(
        api.GET('/api/clients/{client_id}/looks', { params: { path: { client_id: clientId.value } } }),
      )
    })
  const keep = (draft: Pick<Draft, 'name' | 'pieces' | 'intent' | 'keptAs'>, about?: LookKept) =>
    tried(async () => {
      const body = {
        name: draft.name,
        pieces: draft.pieces,
        intent: draft.intent,
        ...(about ? { kept: about } : {}),
      } as LookBody
      const kept = draft.keptAs
        ? await answered(api.PUT('/api/looks/{look_id}', { params: { path: { look_id: draft.keptAs } }, body }))
        : await answered(
            api.POST('/api/clients/{client_id}/looks', { params: { path: { client_id: clientId.value } }, body }),
          )
      await load()
      return kept
    })
  /** Changes what is kept about a look; changes that come close together are written one after the other. */
  let writing: Promise<unknown> = Promise.resolve()
  const keepAbout = (id: string, what: LookKept) =>
    (writing = writing.then(async () => {
      const look = looks.value.find((one) => one.id === id)
      if (look)
        await keep({ name: look.name, pieces: look.pieces, intent: look.intent, keptAs: id }, { ...look.kept, ...what })
    }))
  /** Keeps a photo of a look as it was worn, or takes it away. */
  const keepPhoto = (id: string, file: File | null) =>
    tried(async () => {
      const path = { params: { path: { look_id: id } } }
      if (file) await answered(api.POST('/api/looks/{look_id}/photo', { ...path, ...asForm('photo', [file]) }))
      else await answered(api.DELETE('/api/looks/{look_id}/photo', path))
      await load()
    })
  const { forgotten: gone, noteForgotten, takeBack } = useForgotten(clientId)
  const letGo = (look: KeptLook) =>
    tried(async () => {
      const { change } = await answered(api.DELETE('/api/looks/{look_id}', { params: { path: { look_id: look.id } } }))
      noteForgotten(change, `${look.name} is let go.`)
      await load()
    })
  const putBack = () =>
    tried(async () => {
      const told = await takeBack()
      await load()
      return told
    })
  watch(clientId, load, { immediate: true })
  return { looks, gone, problem, keep, keepAbout, keepPhoto, letGo, putBack }
}
