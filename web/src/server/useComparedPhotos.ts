import { computed, type Ref } from 'vue'
import type { ComparedPhoto, PhotoPair } from '@/api'
import { cache, keys, touch } from './cache'
import { answered, api, asForm } from './http'
import { useServer } from './useServer'
import type { Try } from './useTried'

/** A client's photos that were taken to compare. */
export function useComparedPhotos(clientId: Ref<string>, tried: Try) {
  const at = () => ({ params: { path: { client_id: clientId.value } } })
  const path = (id: string) => ({ params: { path: { photo_id: id } } })
  const key = () => keys.comparedPhotos(clientId.value)
  const { answer, problem } = useServer<ComparedPhoto[]>(
    () => (clientId.value ? key() : null),
    () => answered(api.GET('/api/clients/{client_id}/compared-photos', at())),
  )
  const put = (turn: (photos: ComparedPhoto[]) => ComparedPhoto[]) =>
    cache.setQueryData<ComparedPhoto[]>(key(), (before) => turn(before ?? []))

  const send = (file: File) =>
    tried(async () => {
      const sent = await answered(
        api.POST('/api/clients/{client_id}/compared-photos', { ...at(), ...asForm('photo', [file]) }),
      )
      put((photos) => [sent, ...photos])
      return sent
    })
  const rename = (id: string, name: string) =>
    tried(async () => {
      const named = await answered(api.PUT('/api/compared-photos/{photo_id}', { ...path(id), body: { name } }))
      put((photos) => photos.map((one) => (one.id === id ? named : one)))
    })
  const remove = (id: string) =>
    tried(async () => {
      await answered(api.DELETE('/api/compared-photos/{photo_id}', path(id)))
      put((photos) => photos.filter((one) => one.id !== id))
      await touch(keys.sideBySide(clientId.value))
      return true
    })
  return { photos: computed(() => answer.value ?? []), problem, send, rename, remove }
}

/** The two photos that are side by side, in one light. */
export function usePhotoPair(clientId: Ref<string>, shown: Ref<[string, string] | null>) {
  return useServer<PhotoPair>(
    () => shown.value && keys.photoPair(clientId.value, ...shown.value),
    () => {
      const [left_id = '', right_id = ''] = shown.value ?? []
      return answered(
        api.GET('/api/compared-photos/{left_id}/beside/{right_id}', { params: { path: { left_id, right_id } } }),
      )
    },
  )
}
