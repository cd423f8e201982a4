import { computed, type Ref } from 'vue'
import type { DayWeather, EventChange, Felt, OtherLooks, OwnWord, Plan, PlanBody, PlanChange, PlanInList } from '@/api'
import { cache, keys, showNow, touch, touchAllBut } from './cache'
import { firstProblem } from './firstProblem'
import { answered, api, asForm } from './http'
import { useServer } from './useServer'
import { useStep } from './useStep'
import { useTried } from './useTried'

/** How often a plan is looked at while its days are being filled, in milliseconds. */
const WATCHED_EVERY = 300

/** A client's plans, the latest days first. */
export function usePlanList(clientId: Ref<string>) {
  const { answer, problem, fresh } = useServer<PlanInList[]>(
    () => keys.plans(clientId.value),
    () => answered(api.GET('/api/clients/{client_id}/plans', { params: { path: { client_id: clientId.value } } })),
  )
  return { plans: computed(() => answer.value ?? []), loaded: fresh, problem }
}

/** One of a client's plans: filled, changed, swapped, locked, every step back. */
export function usePlans(clientId: Ref<string>, planId: Ref<string>, now: () => boolean = () => true) {
  const { problem: failed, tried } = useTried()
  const { told, inTurn, undo, redo } = useStep(clientId, tried)
  const at = () => ({ params: { path: { client_id: clientId.value } } })
  const path = () => ({ params: { path: { plan_id: planId.value } } })
  const key = () => (planId.value ? keys.plan(clientId.value, planId.value) : null)
  const { answer: plan, problem: unshown } = useServer<Plan>(
    key,
    () => answered(api.GET('/api/plans/{plan_id}', path())),
    {
      now,
      every: () => {
        const name = key()
        const there = name && cache.getQueryData<Plan>(name)
        return there && there.filling !== null ? WATCHED_EVERY : false
      },
    },
  )
  const eventPath = (event: string) => ({ params: { path: { plan_id: planId.value, event_id: event } } })
  const put = async (one: Plan) => {
    const name = keys.plan(clientId.value, one.id)
    await showNow<Plan>(name, () => one)
    void touchAllBut(clientId.value, name)
    return one
  }
  const done = (act: () => Promise<Plan>) => inTurn(() => tried(async () => put(await act())))

  const begin = (body: PlanBody) => done(() => answered(api.POST('/api/clients/{client_id}/plans', { ...at(), body })))
  const fromCalendar = (file: File) =>
    inTurn(() =>
      tried(async () => {
        const form = asForm('calendar', [file])
        const read = await answered(api.POST('/api/clients/{client_id}/plans/calendar', { ...at(), ...form }))
        await put(read.plan)
        return read
      }),
    )
  const readIn = (file: File) =>
    inTurn(() =>
      tried(async () => {
        const read = await answered(
          api.POST('/api/plans/{plan_id}/calendar', { ...path(), ...asForm('calendar', [file]) }),
        )
        await put(read.plan)
        return read
      }),
    )
  const change = (body: PlanChange) => done(() => answered(api.PUT('/api/plans/{plan_id}', { ...path(), body })))
  const letGo = () =>
    inTurn(() =>
      tried(async () => {
        const name = plan.value?.name ?? 'The plan'
        await answered(api.DELETE('/api/plans/{plan_id}', path()))
        told.value = `${name} is let go. Ctrl+Z puts it back.`
        await touch(keys.plans(clientId.value))
        return true
      }),
    )
  const forecast = (place: string) =>
    done(() => answered(api.POST('/api/plans/{plan_id}/forecast', { ...path(), body: { place } })))
  const forecastFile = (file: File) =>
    done(() => answered(api.POST('/api/plans/{plan_id}/forecast/file', { ...path(), ...asForm('forecast', [file]) })))
  const weather = (on: string, sky: Pick<DayWeather, 'low' | 'high' | 'rain'> | null) =>
    done(() => answered(api.PUT('/api/plans/{plan_id}/weather', { ...path(), body: { on, weather: sky } })))
  const addEvent = (on: string, name: string) =>
    inTurn(() =>
      tried(async () => {
        const added = await answered(
          api.POST('/api/plans/{plan_id}/events', { ...path(), body: { on, name, time: '' } }),
        )
        await put(added.plan)
        return added.event
      }),
    )
  const changeEvent = (event: string, body: EventChange) =>
    done(() => answered(api.PUT('/api/plans/{plan_id}/events/{event_id}', { ...eventPath(event), body })))
  const takeOff = (event: string) =>
    done(() => answered(api.DELETE('/api/plans/{plan_id}/events/{event_id}', eventPath(event))))
  const swap = (one: string, other: string) =>
    done(() => answered(api.POST('/api/plans/{plan_id}/swap', { ...path(), body: { one, other } })))
  const fill = () => done(() => answered(api.POST('/api/plans/{plan_id}/filling', path())))
  const stop = () => done(() => answered(api.DELETE('/api/plans/{plan_id}/filling', path())))
  const wear = (event: string, felt: Felt | null) =>
    done(() =>
      answered(
        api.POST('/api/plans/{plan_id}/events/{event_id}/worn', { ...eventPath(event), body: { felt, note: '' } }),
      ),
    )
  return {
    plan,
    told,
    problem: firstProblem(failed, unshown),
    begin,
    fromCalendar,
    readIn,
    change,
    letGo,
    forecast,
    forecastFile,
    weather,
    addEvent,
    changeEvent,
    takeOff,
    swap,
    fill,
    stop,
    wear,
    undo,
    redo,
  }
}

/** Other looks that fit an occasion while the other days stay as they are. */
export function useOthers(clientId: Ref<string>, plan: Ref<Plan | null>, event: Ref<string | null>) {
  const state = computed(() => {
    const now = plan.value
    if (!now || now.filling !== null) return null
    const hung = now.events.map(({ id, on, pieces, formality, time, people }) => [
      id,
      on,
      pieces,
      formality,
      time,
      people,
    ])
    return JSON.stringify([now.capsule, now.rest, now.away, now.weather, hung])
  })
  const { answer, problem, asking } = useServer<OtherLooks>(
    () =>
      event.value && plan.value && state.value
        ? keys.others(clientId.value, plan.value.id, event.value, state.value)
        : null,
    () =>
      answered(
        api.GET('/api/plans/{plan_id}/events/{event_id}/others', {
          params: { path: { plan_id: plan.value?.id ?? '', event_id: event.value ?? '' } },
        }),
      ),
    { remembered: 30_000 },
  )
  return { others: answer, asking, problem }
}

/** The studio's own words for how formal events are. */
export function useOccasionWords(clientId: Ref<string>) {
  const { problem: failed, tried } = useTried()
  const { answer, problem: asked } = useServer<OwnWord[]>(
    () => keys.occasionWords,
    () => answered(api.GET('/api/occasion-words')),
  )
  const taught = () => touch(keys.occasionWords, keys.all(clientId.value))
  const teach = (word: string, formality: { low: number; high: number }) =>
    tried(async () => {
      const at = { params: { path: { client_id: clientId.value } } }
      await answered(api.PUT('/api/clients/{client_id}/occasion-words', { ...at, body: { word, formality } }))
      await taught()
      return true
    })
  const forget = (word: string) =>
    tried(async () => {
      const at = { params: { path: { client_id: clientId.value, word } } }
      await answered(api.DELETE('/api/clients/{client_id}/occasion-words/{word}', at))
      await taught()
      return true
    })
  return { words: computed(() => answer.value ?? []), problem: firstProblem(failed, asked), teach, forget }
}
