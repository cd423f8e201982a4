import { computed, type Ref } from 'vue'
import { useRoute } from 'vue-router'
import type { About, Client, ClientChange, Erased, Problem, Schools } from '@/api'
import { cache, keys, touch } from './cache'
import { answered, api } from './http'
import { useServer } from './useServer'
import { useTried } from './useTried'

const at = (client: string) => ({ params: { path: { client_id: client } } })

/** The client at work: named by the address, shared by the header and the screens. */
export function useClient(): { id: Ref<string>; client: Ref<Client | null>; problem: Ref<Problem | null> } {
  const route = useRoute()
  const id = computed(() => String(route.params.client ?? ''))
  const { answer, problem } = useServer(
    () => (id.value ? keys.person(id.value) : null),
    () => answered(api.GET('/api/clients/{client_id}', at(id.value))),
  )
  return { id, client: answer, problem }
}

/** What is said of a client: written at once, and everything that follows from it is asked again. */
export function useClientWords(clientId: Ref<string>) {
  const { problem, tried } = useTried()
  const write = (act: () => Promise<Client>) =>
    tried(async () => {
      const client = await act()
      cache.setQueryData(keys.person(client.id), client)
      await touch(keys.clients, keys.all(client.id))
      return client
    })
  const say = (body: ClientChange) =>
    write(() => answered(api.PATCH('/api/clients/{client_id}', { ...at(clientId.value), body })))
  const follow = (conventions: Schools) => say({ conventions })
  const about = (body: About) =>
    write(() => answered(api.PUT('/api/clients/{client_id}/about', { ...at(clientId.value), body })))
  const agree = (given: boolean, given_for: string) =>
    write(() =>
      answered(api.PUT('/api/clients/{client_id}/consent', { ...at(clientId.value), body: { given, given_for } })),
    )
  const archive = (archived: boolean) =>
    write(() => answered(api.PUT('/api/clients/{client_id}/archived', { ...at(clientId.value), body: { archived } })))
  /** Erases a client; the ids of the photos that went with them, for what this browser remembers. */
  const erase = () =>
    tried(async (): Promise<{ gone: Erased; photos: string[] }> => {
      const id = clientId.value
      const photos = await answered(api.GET('/api/clients/{client_id}/photos', at(id)))
      const gone = await answered(api.DELETE('/api/clients/{client_id}', at(id)))
      cache.removeQueries({ queryKey: keys.all(id), type: 'inactive' })
      await cache.invalidateQueries({ queryKey: keys.clients })
      return { gone, photos: photos.map((photo) => photo.id) }
    })
  return { problem, say, follow, about, agree, archive, erase }
}
