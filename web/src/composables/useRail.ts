import { ref, watch, type Ref } from 'vue'
import { answered, api, asProblem, type Piece, type Problem, type Word } from '@/api'

/** The pieces of a client's rail. */
export function useRail(clientId: Ref<string>) {
  const pieces = ref<Piece[]>([])
  const loaded = ref(false)
  const problem = ref<Problem | null>(null)

  async function load() {
    const wanted = clientId.value
    if (!wanted) return
    try {
      const found = await answered(api.GET('/api/clients/{client_id}/rail', { params: { path: { client_id: wanted } } }))
      if (wanted === clientId.value) pieces.value = found
      loaded.value = true
    } catch (error) {
      problem.value = asProblem(error)
    }
  }

  /** Writes the stylist's word over a piece. */
  async function say(id: string, word: Word) {
    try {
      const changed = await answered(api.PATCH('/api/pieces/{piece_id}', { params: { path: { piece_id: id } }, body: word }))
      pieces.value = pieces.value.map((piece) => (piece.id === id ? changed : piece))
      problem.value = null
    } catch (error) {
      problem.value = asProblem(error)
    }
  }

  /** Takes a piece off; its photo waits in the intake again. */
  async function takeOff(id: string): Promise<boolean> {
    try {
      await answered(api.DELETE('/api/pieces/{piece_id}', { params: { path: { piece_id: id } } }))
      pieces.value = pieces.value.filter((piece) => piece.id !== id)
      problem.value = null
      return true
    } catch (error) {
      problem.value = asProblem(error)
      return false
    }
  }

  watch(clientId, load, { immediate: true })
  return { pieces, loaded, problem, load, say, takeOff }
}
