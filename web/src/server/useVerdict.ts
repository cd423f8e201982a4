import { computed, ref, watch, type Ref } from 'vue'
import type { Asking, Judged, Light, Mend } from '@/api'
import { keys, touch } from './cache'
import { answered, api } from './http'
import { firstProblem } from './firstProblem'
import { useServer } from './useServer'
import { useTried } from './useTried'

/** A verdict that nobody shows is soon another one. */
const REMEMBERED = 30_000

/** The verdict on what is asked; the one before stays until the new one is there. Nothing asked, nothing judged. */
export function useVerdict(clientId: Ref<string>, asking: Ref<Asking | null>) {
  const asked = computed(() => (asking.value?.pieces.length ? JSON.stringify(asking.value) : null))
  const at = () => ({ params: { path: { client_id: clientId.value } } })
  const { problem: failed, tried } = useTried()
  const {
    answer: judged,
    problem: unjudged,
    asking: judging,
  } = useServer<Judged>(
    () => (asked.value === null ? null : keys.verdict(clientId.value, asked.value)),
    () =>
      answered(
        api.POST('/api/clients/{client_id}/judge', { ...at(), body: JSON.parse(asked.value ?? '{}') as Asking }),
      ),
    { keeps: true, remembered: REMEMBERED },
  )
  /** Waves a note away for this client. */
  const dismiss = (key: string) =>
    tried(async () => {
      await answered(api.POST('/api/clients/{client_id}/notes', { ...at(), body: { key, again: false } }))
      await touch(['client', clientId.value, 'verdict'])
    })
  return { judged, judging, problem: firstProblem(failed, unjudged), dismiss }
}

/** Colours that a look lacks, asked for only when somebody wants to know, and only for the look that was meant. */
export function useMissingColours(clientId: Ref<string>, asking: Ref<Asking | null>) {
  const missing = ref<Mend[] | null>(null)
  const { problem, tried } = useTried()
  const asked = () => JSON.stringify(asking.value)
  watch(asked, () => (missing.value = null))
  const find = () =>
    tried(async () => {
      const meant = asked()
      if (!asking.value) return
      const path = { params: { path: { client_id: clientId.value } } }
      const found = await answered(
        api.POST('/api/clients/{client_id}/missing-colours', { ...path, body: asking.value }),
      )
      if (meant === asked()) missing.value = found
    })
  return { missing, problem, find }
}

/** The lights that a look can be seen in. */
export function useLights() {
  const { answer, problem } = useServer<Light[]>(
    () => keys.lights,
    () => answered(api.GET('/api/lights')),
  )
  return { lights: computed(() => answer.value ?? []), problem }
}
