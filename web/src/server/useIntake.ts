import { computed, ref, watch, type Ref } from 'vue'
import type { Job, Neighbour, NeutralMark, Photo, Rereading, Studio, Stroke, Taken, Word } from '@/api'
import { cache, keys, showNow, touch, touchAllBut } from './cache'
import { answered, api, asForm } from './http'
import { firstProblem } from './firstProblem'
import { useServer } from './useServer'
import { useTried } from './useTried'

const EVERY = 350
const SELDOM = 2500
const AT_ONCE = 8

const at = (client: string) => ({ params: { path: { client_id: client } } })
const path = (id: string) => ({ params: { path: { photo_id: id } } })
const unread = (photo: Photo) => photo.state === 'waiting' || photo.state === 'reading'
/** Being read, for the first time or in another light while what was read stands. */
const busy = (photo: Photo) => unread(photo) || photo.changing

/** A client's photos: taken in, read in the background, corrected and hung. */
export function useIntake(clientId: Ref<string>) {
  const key = () => keys.photos(clientId.value)
  const { problem: failed, tried } = useTried()
  const sending = ref({ done: 0, of: 0 })
  const refused = ref<Taken[]>([])

  // what a watched folder brings comes without anybody asking for it here
  const { answer: studio } = useServer<Studio>(
    () => keys.studio,
    () => answered(api.GET('/api/studio')),
  )
  const watched = () => studio.value?.watched?.client_id === clientId.value && !sending.value.of
  const {
    answer,
    problem: asked,
    fresh: loaded,
  } = useServer<Photo[]>(
    () => (clientId.value ? key() : null),
    () => answered(api.GET('/api/clients/{client_id}/photos', at(clientId.value))),
    { every: () => (watched() ? SELDOM : false) },
  )
  const list = computed(() => answer.value ?? [])
  const reading = computed(() => list.value.some(busy))

  // while photos are read, only what is still to be done is asked for; photos come again when one of them is done
  const { answer: jobs } = useServer<Job[]>(
    () => (reading.value ? keys.jobs(clientId.value) : null),
    () => answered(api.GET('/api/clients/{client_id}/jobs', at(clientId.value))),
    { every: () => EVERY },
  )
  const open = computed(() =>
    (jobs.value ?? []).filter((job) => job.kind === 'read' || job.kind === 'take over').map((job) => job.about),
  )
  watch(open, (now) => {
    if (jobs.value && list.value.some((photo) => busy(photo) && !now.includes(photo.id)))
      void touchAllBut(clientId.value, keys.jobs(clientId.value))
  })
  /** The photos, those under way with what is being done with them right now. */
  const photos = computed(() => {
    const now = new Map((jobs.value ?? []).map((job) => [job.about, job]))
    return list.value.map((photo): Photo => {
      const job = now.get(photo.id)
      if (!job || !unread(photo)) return photo
      return { ...photo, stage: job.stage, state: job.state === 'under way' ? 'reading' : photo.state }
    })
  })

  /** Sends files a few at a time, so that a large folder shows how far it is. */
  async function send(files: File[]) {
    sending.value = { done: 0, of: files.length }
    // all that is sent in one go is lit at once, however many calls it takes
    const sent_with = crypto.randomUUID()
    for (let from = 0; from < files.length; from += AT_ONCE) {
      const taken = await tried(() =>
        answered(
          api.POST('/api/clients/{client_id}/photos', {
            params: { ...at(clientId.value).params, query: { sent_with } },
            ...asForm('photos', files.slice(from, from + AT_ONCE)),
          }),
        ),
      )
      if (!taken) break
      refused.value = [...refused.value, ...taken.filter((one) => one.problem)]
      sending.value = { done: Math.min(from + AT_ONCE, files.length), of: files.length }
      await touch(keys.all(clientId.value))
    }
    sending.value = { done: 0, of: 0 }
  }

  /** Shows a photo as it is now; a list that was asked for before is not waited for. */
  async function put(photo: Photo): Promise<Photo> {
    const more = await showNow<Photo[]>(key(), (before) => before?.map((one) => (one.id === photo.id ? photo : one)))
    void touch(keys.jobs(clientId.value), ...(more ? [key()] : []))
    return photo
  }
  const corrected = (act: () => Promise<Photo>) => tried(async () => put(await act()))
  const changed = <T>(act: () => Promise<T>) =>
    tried(async () => {
      const done = await act()
      await touch(keys.all(clientId.value))
      return done
    })

  const relight = (id: string, neutral: NeutralMark | null) =>
    corrected(() => answered(api.PUT('/api/photos/{photo_id}/light', { ...path(id), body: { neutral } })))
  const stroke = (id: string, drawn: Stroke) =>
    corrected(() => answered(api.POST('/api/photos/{photo_id}/strokes', { ...path(id), body: drawn })))
  const undoStroke = (id: string) =>
    corrected(() => answered(api.DELETE('/api/photos/{photo_id}/strokes/last', path(id))))
  const shareLight = (id: string) =>
    changed(async () => {
      const taking = await answered(
        api.POST('/api/photos/{photo_id}/light/series', { ...path(id), body: { photos: null } }),
      )
      return taking.length
    })
  const holdReader = (id: string) => corrected(() => answered(api.POST('/api/photos/{photo_id}/reader', path(id))))
  const calibrate = () =>
    tried(async () => {
      await answered(api.POST('/api/reader/calibrate'))
      return true
    })
  const keepApart = (id: string, other: string) =>
    changed(() => answered(api.POST('/api/photos/{photo_id}/apart', { ...path(id), body: { other } })))
  const another = (id: string) => changed(() => answered(api.POST('/api/photos/{photo_id}/another', path(id))))
  const notNow = (id: string) => corrected(() => answered(api.POST('/api/photos/{photo_id}/not-now', path(id))))
  const remove = (id: string) =>
    tried(async () => {
      await answered(api.DELETE('/api/photos/{photo_id}', path(id)))
      await showNow<Photo[]>(key(), (before) => before?.filter((one) => one.id !== id))
      void touch(keys.all(clientId.value))
    })
  /** The photo hangs as soon as the server says so: the next key is meant for the next photo. */
  const hang = (id: string, word: Word) =>
    tried(async () => {
      const piece = await answered(api.POST('/api/photos/{photo_id}/hang', { ...path(id), body: word }))
      await showNow<Photo[]>(key(), (before) =>
        before?.map((one) => (one.id === id ? { ...one, state: 'hung' as const } : one)),
      )
      void touch(keys.all(clientId.value))
      return piece
    })
  const takeOff = (piece_id: string, photo: string) =>
    tried(async () => {
      await answered(api.DELETE('/api/pieces/{piece_id}', { params: { path: { piece_id } } }))
      await showNow<Photo[]>(key(), (before) =>
        before?.map((one) => (one.id === photo ? { ...one, state: 'read' as const } : one)),
      )
      void touch(keys.all(clientId.value))
      return true
    })
  return {
    photos,
    loaded,
    refused,
    sending,
    problem: firstProblem(failed, asked),
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
  }
}

/** The pieces on the rail whose main colour is nearest to that of a photo. */
export function useNear(clientId: () => string, photo: () => Photo) {
  const { answer } = useServer<Neighbour[]>(
    () => (photo().reading ? keys.near(clientId(), photo().id, photo().pictures.relit ?? '') : null),
    () => answered(api.GET('/api/photos/{photo_id}/neighbours', path(photo().id))),
  )
  return computed(() => answer.value ?? [])
}

/** Every photo of a client read anew; what would change is shown before it does. */
export function useRereading(clientId: () => string) {
  const key = () => keys.rereading(clientId())
  const { problem: failed, tried } = useTried()
  const begun = ref(false)
  const { answer: state, problem: asked } = useServer<Rereading>(
    () => (begun.value ? key() : null),
    () => answered(api.GET('/api/clients/{client_id}/rereading', at(clientId()))),
    { every: () => (cache.getQueryData<Rereading>(key())?.waiting ? EVERY : false) },
  )
  const put = (now: Rereading) => {
    cache.setQueryData(key(), now)
    begun.value = true
  }
  /** Reads all anew, or those that are named. */
  const start = (photos: string[] | null) =>
    tried(async () =>
      put(
        await answered(
          api.POST('/api/clients/{client_id}/rereading', { ...at(clientId()), body: photos && { photos } }),
        ),
      ),
    )
  const stop = () =>
    tried(async () => put(await answered(api.DELETE('/api/clients/{client_id}/rereading', at(clientId())))))
  const take = (photos: string[]) =>
    tried(async () => {
      put(await answered(api.POST('/api/clients/{client_id}/rereading/take', { ...at(clientId()), body: { photos } })))
      return true
    })
  const finished = () => touch(keys.all(clientId()))
  return { state, problem: firstProblem(failed, asked), start, stop, take, finished }
}
