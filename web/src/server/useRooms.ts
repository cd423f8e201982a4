import { computed } from 'vue'
import type { Photo, Room } from '@/api'
import { cache, keys, touch } from './cache'
import { answered, api } from './http'
import { useServer } from './useServer'
import { useTried } from './useTried'

const path = (id: string) => ({ params: { path: { photo_id: id } } })

/** The rooms in which a client's photos were taken, and the stylist's word on them. */
export function useRooms(clientId: () => string, photos: () => Photo[]) {
  // asked anew whenever another photo was seen
  const seen = () =>
    photos()
      .filter((photo) => photo.reading)
      .map((photo) => photo.id + (photo.pictures.relit ?? '') + photo.state)
      .join()
  const { answer } = useServer<Room[]>(
    () => (clientId() && photos().length ? keys.rooms(clientId(), seen()) : null),
    () => answered(api.GET('/api/clients/{client_id}/rooms', { params: { path: { client_id: clientId() } } })),
    { keeps: true, remembered: 10_000 },
  )
  const { problem, tried } = useTried()
  const said = (act: () => Promise<{ photos: string[] }>) =>
    tried(async () => {
      const { photos: asked } = await act()
      await cache.cancelQueries({ queryKey: keys.photos(clientId()) })
      await touch(keys.all(clientId()))
      return asked.length
    })
  return {
    rooms: computed(() => answer.value ?? []),
    problem,
    join: (id: string, other: string) =>
      said(() => answered(api.POST('/api/photos/{photo_id}/room', { ...path(id), body: { other } }))),
    leave: (id: string) => said(() => answered(api.DELETE('/api/photos/{photo_id}/room', path(id)))),
    begin: (id: string) => said(() => answered(api.POST('/api/photos/{photo_id}/room/begin', path(id)))),
    sayPaper: (id: string, paper: boolean | null) =>
      said(() => answered(api.PUT('/api/photos/{photo_id}/paper', { ...path(id), body: { paper } }))),
  }
}
