import type { Photo, Room } from '@/api'

/** The thread beside a photo of the film strip: one runs along all photos of a room. */
export interface Stitch {
  /** Which of two threads, where rooms lie beside each other. */
  lane: 0 | 1
  /** Whether it goes on to the frame above, and to the one below. */
  up: boolean
  down: boolean
  /** Whether this photo lends its light, takes it, or is only passed by. */
  knot: 'lends' | 'takes' | 'passed'
}

/** The threads beside the photos of a film strip, by the ids of the photos. A room of one has none. */
export function stitches(order: Photo[], rooms: Room[]): Map<string, Stitch[]> {
  const places = new Map(order.map((photo, place) => [photo.id, place]))
  const spans = rooms
    .map((room) => ({ room, at: room.photos.flatMap((id) => places.get(id) ?? []).sort((a, b) => a - b) }))
    .filter(({ at }) => at.length > 1)
    .sort((a, b) => a.at[0]! - b.at[0]!)
  const found = new Map<string, Stitch[]>()
  const ends: [number, number] = [-1, -1]
  for (const { room, at } of spans) {
    const first = at[0]!
    const last = at.at(-1)!
    const lane = ends[0] < first || ends[0] <= ends[1] ? 0 : 1
    ends[lane] = Math.max(ends[lane], last)
    for (let place = first; place <= last; place += 1) {
      const { id } = order[place]!
      const knot = room.lenders.includes(id) ? 'lends' : at.includes(place) ? 'takes' : 'passed'
      found.set(id, [...(found.get(id) ?? []), { lane, up: place > first, down: place < last, knot }])
    }
  }
  return found
}

/** The room that a photo is in with others; none where it is alone or not known yet. */
export const roomOf = (rooms: Room[], id: string): Room | null =>
  rooms.find((room) => room.photos.includes(id) && room.photos.length > 1) ?? null
