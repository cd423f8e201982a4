import { computed, nextTick, ref, watch, type Ref } from 'vue'
import type {
  Candidate,
  CandidateBody,
  CandidateChange,
  Considered,
  NeutralMark,
  Stroke,
  Taken,
  Together,
  Word,
} from '@/api'
import { cache, keys, touch } from './cache'
import { firstProblem } from './firstProblem'
import { answered, api, asForm } from './http'
import { useServer } from './useServer'
import { useTried } from './useTried'

const EVERY = 400
const at = (client_id: string) => ({ params: { path: { client_id } } })
const of = (candidate_id: string) => ({ params: { path: { candidate_id } } })
const photo = (photo_id: string) => ({ params: { path: { photo_id } } })
const unread = (one: Candidate) => one.photo?.state === 'waiting' || one.photo?.state === 'reading'

/** What decides what is said of a candidate, beside the rail and the client: another question once it changes. */
const as = (one: Candidate) => JSON.stringify([one.piece, one.kept])
/** What is said of a candidate now; the list says the same at once. */
async function judge(clientId: string, one: Candidate): Promise<Considered> {
  const told = await answered(api.POST('/api/candidates/{candidate_id}/judge', of(one.id)))
  await patch(clientId, one.id, { judged: told.judged, before: told.before })
  return told
}
/** Shows a candidate of the list as it is now; a list that was asked for before may not know it yet. */
async function patch(clientId: string, id: string, now: Partial<Candidate>) {
  const queryKey = keys.candidates(clientId)
  cache.setQueryData<Candidate[]>(queryKey, (before) =>
    before?.map((one) => (one.id === id ? { ...one, ...now } : one)),
  )
  if (cache.isFetching({ queryKey })) await touch(queryKey)
}

/** What a client may buy: noted, judged, corrected, bought or let go. */
export function useCandidates(clientId: Ref<string>) {
  const key = () => keys.candidates(clientId.value)
  const { problem: failed, tried } = useTried()
  const refused = ref<Taken[]>([])
  const {
    answer,
    problem: asked,
    fresh: loaded,
  } = useServer<Candidate[]>(
    () => (clientId.value ? key() : null),
    () => answered(api.GET('/api/clients/{client_id}/candidates', at(clientId.value))),
    { every: () => (cache.getQueryData<Candidate[]>(key())?.some(unread) ? EVERY : false) },
  )
  const candidates = computed(() => answer.value ?? [])

  const put = async (one: Candidate) => {
    await patch(clientId.value, one.id, one)
    return one
  }
  /** Nothing more is asked about what is no candidate any more. */
  async function gone(id: string) {
    cache.setQueryData<Candidate[]>(key(), (before) => before?.filter((one) => one.id !== id))
    await nextTick()
    cache.removeQueries({ queryKey: ['client', clientId.value, 'considered', id] })
    cache.removeQueries({ queryKey: ['client', clientId.value, 'together'] })
  }
  const noted = (act: () => Promise<Candidate>) =>
    tried(async () => {
      const one = await act()
      await touch(key())
      return one
    })
  const read = (act: () => Promise<unknown>) =>
    tried(async () => {
      await act()
      await touch(key())
    })

  /** Sends photos, or pictures off a screen; the id of the first candidate that came of them. */
  const send = (files: File[], off_a_screen: boolean) =>
    tried(async () => {
      const taken = await answered(
        api.POST('/api/clients/{client_id}/candidates/pictures', {
          params: { path: { client_id: clientId.value }, query: { off_a_screen } },
          ...asForm('pictures', files),
        }),
      )
      refused.value = taken.filter((one) => one.problem)
      await touch(key())
      const first = taken.find((one) => one.photo)?.photo?.id
      return candidates.value.find((one) => one.photo?.id === first)?.id ?? null
    })
  const note = (body: CandidateBody) =>
    noted(() => answered(api.POST('/api/clients/{client_id}/candidates', { ...at(clientId.value), body })))
  const byReader = (word: Word) =>
    noted(() =>
      answered(api.POST('/api/clients/{client_id}/candidates/reader', { ...at(clientId.value), body: { word } })),
    )
  const calibrate = () =>
    tried(async () => {
      await answered(api.POST('/api/reader/calibrate'))
      return true
    })
  const say = (id: string, body: CandidateChange) =>
    tried(async () => put(await answered(api.PUT('/api/candidates/{candidate_id}', { ...of(id), body }))))
  const seen = (id: string) =>
    tried(async () => put(await answered(api.POST('/api/candidates/{candidate_id}/seen', of(id)))))
  const buy = (id: string) =>
    tried(async () => {
      const piece = await answered(api.POST('/api/candidates/{candidate_id}/buy', of(id)))
      await gone(id)
      await touch(keys.all(clientId.value))
      return piece
    })
  const letGo = (id: string) =>
    tried(async () => {
      await answered(api.DELETE('/api/candidates/{candidate_id}', of(id)))
      await gone(id)
      await touch(key())
      return true
    })
  const undo = () =>
    tried(async () => {
      const done = await answered(api.POST('/api/clients/{client_id}/undo', at(clientId.value)))
      await touch(keys.all(clientId.value))
      return done
    })
  const redo = () =>
    tried(async () => {
      const done = await answered(api.POST('/api/clients/{client_id}/redo', at(clientId.value)))
      await touch(keys.all(clientId.value))
      return done
    })
  const relight = (id: string, neutral: NeutralMark | null) =>
    read(() => answered(api.PUT('/api/photos/{photo_id}/light', { ...photo(id), body: { neutral } })))
  const stroke = (id: string, drawn: Stroke) =>
    read(() => answered(api.POST('/api/photos/{photo_id}/strokes', { ...photo(id), body: drawn })))
  const undoStroke = (id: string) => read(() => answered(api.DELETE('/api/photos/{photo_id}/strokes/last', photo(id))))

  return {
    candidates,
    loaded,
    refused,
    problem: firstProblem(failed, asked),
    send,
    note,
    byReader,
    calibrate,
    say,
    seen,
    buy,
    letGo,
    undo,
    redo,
    relight,
    stroke,
    undoStroke,
  }
}

/** What is said of a candidate, as the rail, the client and the school are now. */
export function useConsidered(clientId: Ref<string>, candidate: Ref<Candidate | null>) {
  const { answer, problem, asking } = useServer<Considered>(
    () => {
      const one = candidate.value
      return one?.piece ? keys.considered(clientId.value, one.id, as(one)) : null
    },
    () => judge(clientId.value, candidate.value!),
    { keeps: true },
  )
  /** What was said before a word was changed stays until it is counted anew; never what was said of another. */
  const considered = computed(() => (answer.value?.candidate_id === candidate.value?.id ? answer.value : null))
  return { considered, problem, asking }
}

/** Judges the whole list anew, one after the other, the open one first: what is said now is noted on each. */
export function useJudgedAnew(clientId: Ref<string>, candidates: Ref<Candidate[]>, stamp: Ref<string>) {
  let round = 0
  watch(
    [
      () =>
        candidates.value
          .filter((one) => one.piece)
          .map((one) => `${one.id} ${as(one)}`)
          .join(),
      stamp,
    ],
    async () => {
      const mine = ++round
      for (const one of candidates.value.filter((other) => other.piece)) {
        const queryKey = keys.considered(clientId.value, one.id, as(one))
        try {
          await cache.fetchQuery({ queryKey, queryFn: () => judge(clientId.value, one), staleTime: 60_000 })
        } catch {
          // what cannot be judged says so where it is opened
        }
        if (mine !== round) return
      }
    },
    { immediate: true },
  )
}

/** What two candidates open, alone and together. */
export function useTogether(clientId: Ref<string>, one: Ref<Candidate | null>, other: Ref<Candidate | null>) {
  const { answer, problem } = useServer<Together>(
    () =>
      one.value?.piece && other.value?.piece
        ? keys.together(clientId.value, `${one.value.id} ${as(one.value)}`, `${other.value.id} ${as(other.value)}`)
        : null,
    () =>
      answered(
        api.GET('/api/clients/{client_id}/candidates/together', {
          params: { path: { client_id: clientId.value }, query: { one: one.value!.id, other: other.value!.id } },
        }),
      ),
  )
  return { together: answer, problem }
}
