import { computed } from 'vue'
import type { AskedBy, Question, What, Word } from '@/api'
import { keys } from './cache'
import { answered, api } from './http'
import { useServer } from './useServer'
import { useTried } from './useTried'

/** What the piece in a photo is, with the words that there are for it so far; nothing while nobody knows its kind. */
export function useWhatOfPhoto(
  clientId: () => string,
  photo: () => { id: string; read: string } | null,
  word: () => Word,
) {
  const asked = computed(() => JSON.stringify(word()))
  const { answer, problem } = useServer<What>(
    () => {
      const one = photo()
      return one && word().category ? keys.what(clientId(), `${one.id} ${one.read}`, asked.value) : null
    },
    () =>
      answered(
        api.POST('/api/photos/{photo_id}/what', {
          params: { path: { photo_id: photo()?.id ?? '' } },
          body: JSON.parse(asked.value) as Word,
        }),
      ),
    { keeps: true },
  )
  return { what: answer, problem }
}

/** What a piece on the rail is. */
export function useWhatOfPiece(clientId: () => string, pieceId: () => string) {
  const { answer, problem } = useServer<What>(
    () => keys.what(clientId(), pieceId(), ''),
    () => answered(api.GET('/api/pieces/{piece_id}/what', { params: { path: { piece_id: pieceId() } } })),
    { keeps: true },
  )
  return { what: answer, problem }
}

/** What is worth asking about the pieces of a rail; asked when somebody wants to go through them. */
export function useWalk() {
  const { problem, tried } = useTried()
  const ask = (client_id: string, by: AskedBy | null): Promise<Question[] | null> =>
    tried(() =>
      answered(
        api.GET('/api/clients/{client_id}/walk', { params: { path: { client_id }, query: by === null ? {} : { by } } }),
      ),
    )
  return { problem, ask }
}
