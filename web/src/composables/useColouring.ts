import { ref, watch, type Ref } from 'vue'
import { answered, api, asForm, type Client, type Follows, type Spots, type Trial, type Veil } from '@/api'
import { plural } from '@/lib/words'
import { useForgotten } from './useForgotten'
import { useTried } from './useTried'

type Place = { x: number; y: number }
export type Part = 'skin' | 'hair' | 'eyes'

/** A client's portraits, trials and what follows from them. */
export function useColouring(clientId: Ref<string>, reload: () => Promise<void>) {
  const follows = ref<Follows | null>(null)
  const trials = ref<Trial[]>([])
  /** Whether the trials have come: their words stand above others and would move them under the hand. */
  const ready = ref(false)
  const busy = ref(false)
  const { problem, tried, unasked } = useTried()

  async function load() {
    const wanted = clientId.value
    const path = { params: { path: { client_id: wanted } } }
    if (!wanted) return
    await Promise.all([
      unasked(async () => {
        const held = await answered(api.GET('/api/clients/{client_id}/trials', path))
        if (wanted === clientId.value) trials.value = held
      }).finally(() => {
        if (wanted === clientId.value) ready.value = true
      }),
      unasked(async () => {
        const suits = await answered(api.GET('/api/clients/{client_id}/follows', path))
        if (wanted === clientId.value) follows.value = suits
      }),
    ])
  }
  async function changed(act: () => Promise<unknown>) {
    busy.value = true
    const done = await tried(async () => {
      await act()
      return true
    })
    if (done) {
      await reload()
      await load()
    }
    busy.value = false
  }
  const client = () => ({ params: { path: { client_id: clientId.value } } })
  const portrait = (id: string) => ({ params: { path: { portrait_id: id } } })

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
  watch(
    clientId,
    () => {
      follows.value = null
      trials.value = []
      ready.value = false
      void load()
    },
    { immediate: true },
  )
  return {
    follows,
    trials,
    ready,
    busy,
    problem,
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
