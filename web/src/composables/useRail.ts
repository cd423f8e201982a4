import { ref, watch, type Ref } from 'vue'
import { answered, api, type Piece, type Word } from '@/api'
import { useTried } from './useTried'

/** The pieces of a client's rail. */
export function useRail(clientId: Ref<string>) {
  const pieces = ref<Piece[]>([])
  const loaded = ref(false)
  const { problem, tried } = useTried()

  const load = () =>
    tried(async () => {
      const wanted = clientId.value
      if (!wanted) return
      const found = await answered(api.GET('/api/clients/{client_id}/rail', { params: { path: { client_id: wanted } } }))
      if (wanted === clientId.value) pieces.value = found
      loaded.value = true
    })

  /** Writes the stylist's word over a piece. */
  const say = (id: string, word: Word) =>
    tried(async () => {
      const changed = await answered(api.PATCH('/api/pieces/{piece_id}', { params: { path: { piece_id: id } }, body: word }))
      pieces.value = pieces.value.map((piece) => (piece.id === id ? changed : piece))
    })

  /** Takes a piece off; its photo waits in the intake again. */
  const takeOff = (id: string) =>
    tried(async () => {
      await answered(api.DELETE('/api/pieces/{piece_id}', { params: { path: { piece_id: id } } }))
      pieces.value = pieces.value.filter((piece) => piece.id !== id)
    })

  watch(clientId, load, { immediate: true })
  return { pieces, loaded, problem, load, say, takeOff }
}
