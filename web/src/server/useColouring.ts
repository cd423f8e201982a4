import { computed, ref, type Ref } from 'vue'
import type { Client, Follows, Spots, Trial, Veil } from '@/api'
import { plural } from '@/lib/words'
import { keys, touch } from './cache'
import { answered, api, asForm } from './http'
import { useForgotten } from './useForgotten'
import { firstProblem } from './firstProblem'
import { useServer } from './useServer'
import { useTried } from './useTried'

type Place = { x: number; y: number }
export type Part = 'skin' | 'hair' | 'eyes'

/** A client's portraits, trials and what follows from them. */
export function useColouring(clientId: Ref<string>) {
  const client = () => ({ params: { path: { client_id: clientId.value } } })
  const portrait = (id: string) => ({ params: { path: { portrait_id: id } } })
  const held = useServer<Trial[]>(
    () => (clientId.value ? keys.trials(clientId.value) : null),
    () => answered(api.GET('/api/clients/{client_id}/trials', client())),
  )
  const suits = useServer<Follows | null>(
    () => (clientId.value ? keys.follows(clientId.value) : null),
    async () => (await answered(api.GET('/api/clients/{client_id}/follows', client()))) ?? null,
  )
  const busy = ref(false)
  const { problem: failed, tried } = useTried()
  async function changed(act: () => Promise<unknown>) {
    busy.value = true
    await tried(async () => {
      await act()
      await touch(keys.all(clientId.value), keys.clients)
    })
    busy.value = false
  }

  const send = (file: File) =>
    changed(() =>
      answered(api.POST('/api/clients/{client_id}/portraits', { ...client(), ...asForm('portrait', [file]) })),
    )
  const read = (id: string, spots: Spots, neutral: Place | null, veils: Veil[]) =>
    changed(() =>
      answered(
        api.PUT('/api/portraits/{portrait_id}', {
          ...portrait(id),
          body: { spots, neutral: neutral && { ...neutral, lightness: null }, veils },
        }),
      ),
    )
  const veil = (id: string, veils: Veil[]) =>
    changed(() => answered(api.PUT('/api/portraits/{portrait_id}/veils', { ...portrait(id), body: { veils } })))
  const count = (id: string, in_use: boolean) =>
    changed(() => answered(api.PUT('/api/portraits/{portrait_id}/in-use', { ...portrait(id), body: { in_use } })))
  const remove = (id: string) => changed(() => answered(api.DELETE('/api/portraits/{portrait_id}', portrait(id))))
  const byEye = (part: Part, lab: number[]) =>
    changed(() => answered(api.POST('/api/clients/{client_id}/by-eye', { ...client(), body: { part, lab } })))
  const byReader = (part: Part) =>
    changed(() => answered(api.POST('/api/clients/{client_id}/by-reader', { ...client(), body: { part } })))
  const say = (undertone: NonNullable<Client['face']['undertone']> | 'as read') =>
    changed(() => answered(api.PATCH('/api/clients/{client_id}', { ...client(), body: { undertone } })))
  const { forgotten, noteForgotten, takeBack } = useForgotten(clientId)
  const forget = (trial: Trial) =>
    changed(async () => {
      const { change } = await answered(
        api.DELETE('/api/trials/{trial_id}', { params: { path: { trial_id: trial.id } } }),
      )
      noteForgotten(change, `The trial of ${plural(trial.held.length, 'pair')} is forgotten.`)
    })
  const remember = () => changed(takeBack)
  return {
    follows: suits.answer,
    trials: computed(() => held.answer.value ?? []),
    /** Whether the trials have come: their words stand above others and would move them under the hand. */
    ready: computed(() => held.answer.value !== null || held.problem.value !== null),
    busy,
    problem: firstProblem(failed, held.problem, suits.problem),
    send,
    read,
    veil,
    count,
    remove,
    byEye,
    byReader,
    say,
    forgotten,
    forget,
    remember,
  }
}

/** What a lens over a portrait reads right now. */
export const readSpot = (portrait_id: string, part: Part, place: Place) =>
  answered(
    api.GET('/api/portraits/{portrait_id}/spot', {
      params: { path: { portrait_id }, query: { part, x: place.x, y: place.y } },
    }),
  )
