import { computed, onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue'
import { answered, api, type Kept, type Piece, type RailWord, type Word } from '@/api'
import { railOf } from './railOf'
import { useTried } from './useTried'

const AGAIN_AFTER = 2000

/** The pieces of a client's rail, what is said of them, and every step back. */
export function useRail(clientId: Ref<string>) {
  const pieces = shallowRef<Piece[]>([])
  const loaded = ref(false)
  /** What was done last, for the eye and the screen reader. */
  const told = ref('')
  /** Rises with every change, so that what follows from the rail is asked again. */
  const version = ref(0)
  const { problem, tried, unasked } = useTried()
  const byId = computed(() => new Map(pieces.value.map((piece) => [piece.id, piece])))

  const look = () =>
    unasked(async () => {
      const wanted = clientId.value
      if (!wanted) return
      const found = await railOf(wanted)
      if (wanted === clientId.value) pieces.value = found
      loaded.value = true
    })
  async function load() {
    await look()
    version.value++
  }

  /** Writes the stylist's word over some pieces, and what is kept about them. */
  const change = (ids: string[], what: { word?: Word; kept?: Kept }) =>
    tried(async () => {
      const changed = await answered(
        api.POST('/api/clients/{client_id}/rail/change', {
          params: { path: { client_id: clientId.value } },
          body: { pieces: ids, ...what } as RailWord,
        }),
      )
      const now = new Map(changed.map((piece) => [piece.id, piece]))
      pieces.value = pieces.value.map((piece) => now.get(piece.id) ?? piece)
      version.value++
      return changed
    })

  /** Takes pieces off; their photos wait in the intake again. */
  const takeOff = (ids: string[]) =>
    tried(async () => {
      await answered(
        api.POST('/api/clients/{client_id}/rail/take-off', {
          params: { path: { client_id: clientId.value } },
          body: { pieces: ids },
        }),
      )
      await load()
    })

  const joinFaces = (first: string, second: string) =>
    tried(async () => {
      await answered(
        api.POST('/api/clients/{client_id}/rail/faces', {
          params: { path: { client_id: clientId.value } },
          body: { first, second },
        }),
      )
      await load()
    })

  /** One step after the other, however fast the keys come. */
  let steps: Promise<unknown> = Promise.resolve()
  const step = (way: 'undo' | 'redo') => (steps = steps.then(() => stepNow(way)))
  const stepNow = (way: 'undo' | 'redo') =>
    tried(async () => {
      const done = await answered(
        api.POST(`/api/clients/{client_id}/${way}`, { params: { path: { client_id: clientId.value } } }),
      )
      told.value = `${way === 'undo' ? 'Taken back' : 'Done again'}: ${done.told}`
      await load()
    })

  /** Pictures that are still being made are looked for again, without more ado. */
  let later: ReturnType<typeof setTimeout> | undefined
  watch(pieces, (now) => {
    clearTimeout(later)
    if (now.some((piece) => piece.photo_id && !piece.cloth)) later = setTimeout(() => void look(), AGAIN_AFTER)
  })
  onBeforeUnmount(() => clearTimeout(later))
  watch(clientId, load, { immediate: true })
  return {
    pieces,
    byId,
    loaded,
    told,
    version,
    problem,
    load,
    change,
    takeOff,
    joinFaces,
    undo: () => step('undo'),
    redo: () => step('redo'),
  }
}
