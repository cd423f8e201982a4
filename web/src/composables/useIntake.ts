import { useIntervalFn, useTimeoutPoll } from '@vueuse/core'
import { computed, ref, watch, type Ref } from 'vue'
import {
  answered,
  api,
  asForm,
  asProblem,
  type NeutralMark,
  type Photo,
  type Piece,
  type Stroke,
  type Taken,
  type Word,
} from '@/api'
import { useTried } from './useTried'

const EVERY = 350
const SELDOM = 2500
const AT_ONCE = 8

/** A client's photos: taken in, read in the background, corrected and hung. */
export function useIntake(clientId: Ref<string>) {
  const photos = ref<Photo[]>([])
  const loaded = ref(false)
  const refused = ref<Taken[]>([])
  const sending = ref({ done: 0, of: 0 })
  const { problem, tried } = useTried()
  const reading = computed(() => photos.value.some((p) => p.state === 'waiting' || p.state === 'reading'))

  let changes = 0 // made here: a list that was asked for before one of them still shows what it took away
  async function load() {
    const wanted = clientId.value
    const before = changes
    if (!wanted) return
    try {
      const found = await answered(
        api.GET('/api/clients/{client_id}/photos', { params: { path: { client_id: wanted } } }),
      )
      if (wanted === clientId.value && before !== changes) return await load()
      if (wanted === clientId.value) photos.value = found
      loaded.value = true
    } catch (error) {
      problem.value = asProblem(error)
      poll.pause()
    }
  }
  const poll = useTimeoutPoll(load, EVERY, { immediate: false })
  watch(reading, (now) => (now ? poll.resume() : poll.pause()))
  // what a watched folder brings comes without anybody asking for it here
  const watched = ref(false)
  useIntervalFn(() => {
    if (watched.value && !reading.value && !sending.value.of && !problem.value) void load()
  }, SELDOM)
  async function seeWhatIsWatched() {
    try {
      watched.value = (await answered(api.GET('/api/studio'))).watched?.client_id === clientId.value
    } catch {
      watched.value = false
    }
  }

  /** Sends files a few at a time, so that a large folder shows how far it is. */
  async function send(files: File[]) {
    sending.value = { done: 0, of: files.length }
    for (let at = 0; at < files.length; at += AT_ONCE) {
      try {
        const taken = await answered(
          api.POST('/api/clients/{client_id}/photos', {
            params: { path: { client_id: clientId.value } },
            ...asForm('photos', files.slice(at, at + AT_ONCE)),
          }),
        )
        refused.value = [...refused.value, ...taken.filter((one) => one.problem)]
      } catch (error) {
        problem.value = asProblem(error)
        break
      }
      sending.value = { done: Math.min(at + AT_ONCE, files.length), of: files.length }
      await load()
    }
    sending.value = { done: 0, of: 0 }
  }

  const change = (made: Photo[]) => {
    photos.value = made
    changes++
  }
  const put = (photo: Photo) => change(photos.value.map((p) => (p.id === photo.id ? photo : p)))
  const path = (id: string) => ({ params: { path: { photo_id: id } } })

  const relight = (id: string, neutral: NeutralMark | null) =>
    tried(async () => put(await answered(api.PUT('/api/photos/{photo_id}/light', { ...path(id), body: { neutral } }))))
  const stroke = (id: string, drawn: Stroke) =>
    tried(async () => put(await answered(api.POST('/api/photos/{photo_id}/strokes', { ...path(id), body: drawn }))))
  const undoStroke = (id: string) =>
    tried(async () => put(await answered(api.DELETE('/api/photos/{photo_id}/strokes/last', path(id)))))
  const shareLight = (id: string) =>
    tried(async () => {
      const changed = await answered(
        api.POST('/api/photos/{photo_id}/light/series', { ...path(id), body: { photos: null } }),
      )
      await load()
      return changed.length
    })
  const holdReader = (id: string) =>
    tried(async () => put(await answered(api.POST('/api/photos/{photo_id}/reader', path(id)))))
  const calibrate = () =>
    tried(async () => {
      await answered(api.POST('/api/reader/calibrate'))
      return true
    })
  const keepApart = (id: string, other: string) =>
    tried(async () => {
      await answered(api.POST('/api/photos/{photo_id}/apart', { ...path(id), body: { other } }))
      await load()
      return true
    })
  const another = (id: string) =>
    tried<Photo>(async () => {
      const copy = await answered(api.POST('/api/photos/{photo_id}/another', path(id)))
      await load()
      return copy
    })
  const notNow = (id: string) =>
    tried(async () => put(await answered(api.POST('/api/photos/{photo_id}/not-now', path(id)))))
  const remove = (id: string) =>
    tried(async () => {
      await answered(api.DELETE('/api/photos/{photo_id}', path(id)))
      change(photos.value.filter((p) => p.id !== id))
    })
  const hang = (id: string, word: Word) =>
    tried<Piece>(async () => {
      const piece = await answered(api.POST('/api/photos/{photo_id}/hang', { ...path(id), body: word }))
      await load()
      return piece
    })
  const takeOff = (pieceId: string) =>
    tried(async () => {
      await answered(api.DELETE('/api/pieces/{piece_id}', { params: { path: { piece_id: pieceId } } }))
      await load()
      return true
    })
  watch(
    clientId,
    () => {
      void load()
      void seeWhatIsWatched()
    },
    { immediate: true },
  )
  return {
    photos,
    loaded,
    refused,
    sending,
    problem,
    reading,
    send,
    relight,
    stroke,
    undoStroke,
    shareLight,
    holdReader,
    calibrate,
    keepApart,
    another,
    notNow,
    remove,
    hang,
    takeOff,
    load,
  }
}
