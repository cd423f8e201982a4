import { computed, type Ref } from 'vue'
import type { Kept, Piece, Word } from '@/api'
import { cache, keys, showNow, touch, touchAllBut } from './cache'
import { answered, api } from './http'
import { firstProblem } from './firstProblem'
import { useServer } from './useServer'
import { useStep } from './useStep'
import { useTried } from './useTried'

/** Pictures that are still being made are looked for again, without more ado. */
const AGAIN_AFTER = 2000

const at = (client: string) => ({ params: { path: { client_id: client } } })
const ask = (client: string): Promise<Piece[]> => answered(api.GET('/api/clients/{client_id}/rail', at(client)))
const unmade = (pieces: Piece[]) => pieces.some((piece) => piece.photo_id && !piece.cloth)

/** Asks for a rail while the screen that shows it is still being loaded. */
export function askEarly(client: string): void {
  void cache.prefetchQuery({ queryKey: keys.rail(client), queryFn: () => ask(client) })
}

/** The pieces of a client's rail, to look at. */
export function usePieces(clientId: Ref<string>) {
  const key = computed(() => (clientId.value ? keys.rail(clientId.value) : null))
  const every = () => {
    const now = key.value && cache.getQueryData<Piece[]>(key.value)
    return now && unmade(now) ? AGAIN_AFTER : false
  }
  const {
    answer,
    problem,
    fresh: loaded,
  } = useServer<Piece[]>(
    () => key.value,
    () => ask(clientId.value),
    { every },
  )
  const pieces = computed(() => answer.value ?? [])
  return { pieces, loaded, problem }
}

/** The pieces of a client's rail, what is said of them, and every step back. */
export function useRail(clientId: Ref<string>) {
  const { pieces, loaded, problem: asked } = usePieces(clientId)
  const { problem: failed, tried } = useTried()
  /** What was said last of the rail is what is taken back first. */
  const { told, inTurn, undo, redo } = useStep(clientId, tried)
  const byId = computed(() => new Map(pieces.value.map((piece) => [piece.id, piece])))
  const problem = firstProblem(failed, asked)

  /** Writes the stylist's word over some pieces, and what is kept about them; they are shown changed at once. */
  const change = (ids: string[], what: { word?: Word; kept?: Kept }) => inTurn(() => changeNow(ids, what))
  const changeNow = (ids: string[], what: { word?: Word; kept?: Kept }) =>
    tried(async () => {
      const client = clientId.value
      const key = keys.rail(client)
      const changed = await answered(
        api.POST('/api/clients/{client_id}/rail/change', {
          ...at(client),
          body: { pieces: ids, word: what.word ?? {}, kept: what.kept ?? {} },
        }),
      )
      const now = new Map(changed.map((piece) => [piece.id, piece]))
      const more = await showNow<Piece[]>(key, (before) => before?.map((piece) => now.get(piece.id) ?? piece))
      void (more ? touch(keys.all(client)) : touchAllBut(client, key))
      return changed
    })
  /** Writes into the log that a piece was worn. */
  const wear = (id: string, on: string) =>
    inTurn(() =>
      tried(async () => {
        const body = { on, pieces: [id], occasion: '', note: '' }
        await answered(api.POST('/api/clients/{client_id}/wears', { ...at(clientId.value), body }))
        told.value = 'Written into the log.'
        await touch(keys.all(clientId.value))
      }),
    )
  /** Takes pieces off; their photos wait in the intake again. */
  const takeOff = (ids: string[]) =>
    tried(async () => {
      await answered(
        api.POST('/api/clients/{client_id}/rail/take-off', { ...at(clientId.value), body: { pieces: ids } }),
      )
      await touch(keys.all(clientId.value))
    })
  const joinFaces = (first: string, second: string) =>
    tried(async () => {
      await answered(
        api.POST('/api/clients/{client_id}/rail/faces', { ...at(clientId.value), body: { first, second } }),
      )
      await touch(keys.all(clientId.value))
    })

  return {
    pieces,
    byId,
    loaded,
    told,
    problem,
    change,
    wear,
    takeOff,
    joinFaces,
    undo,
    redo,
  }
}
