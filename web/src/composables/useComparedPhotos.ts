import { ref, watch, type Ref } from 'vue'
import { answered, api, asForm, type ComparedPhoto, type PhotoPair } from '@/api'

type Tried = <T>(act: () => Promise<T>) => Promise<T | null>

/** A client's photos that were taken to compare, and the two of them that are side by side. */
export function useComparedPhotos(
  clientId: Ref<string>,
  photos: Ref<ComparedPhoto[]>,
  shown: Ref<[string, string] | null>,
  tried: Tried,
) {
  const pair = ref<PhotoPair | null>(null)
  const path = (id: string) => ({ params: { path: { photo_id: id } } })

  watch(
    clientId,
    async (now) => {
      photos.value = []
      if (now)
        await tried(async () => {
          photos.value = await answered(
            api.GET('/api/clients/{client_id}/compared-photos', { params: { path: { client_id: now } } }),
          )
        })
    },
    { immediate: true },
  )
  watch(
    shown,
    async (now) => {
      pair.value = null
      if (!now) return
      const found = await tried(() =>
        answered(
          api.GET('/api/compared-photos/{left_id}/beside/{right_id}', {
            params: { path: { left_id: now[0], right_id: now[1] } },
          }),
        ),
      )
      if (shown.value === now) pair.value = found
    },
    { immediate: true },
  )

  const send = (file: File) =>
    tried(async () => {
      const sent = await answered(
        api.POST('/api/clients/{client_id}/compared-photos', {
          params: { path: { client_id: clientId.value } },
          ...asForm('photo', [file]),
        }),
      )
      photos.value = [sent, ...photos.value]
      return sent
    })
  const rename = (id: string, name: string) =>
    tried(async () => {
      const named = await answered(api.PUT('/api/compared-photos/{photo_id}', { ...path(id), body: { name } }))
      photos.value = photos.value.map((one) => (one.id === id ? named : one))
    })
  const remove = (id: string) =>
    tried(async () => {
      await answered(api.DELETE('/api/compared-photos/{photo_id}', path(id)))
      photos.value = photos.value.filter((one) => one.id !== id)
      return true
    })
  return { pair, send, rename, remove }
}
