import { computed, type Ref } from 'vue'
import type { Asking, Day, StageBody } from '@/api'
import { keys } from './cache'
import { answered, api } from './http'
import { useServer } from './useServer'

const REMEMBERED = 30_000

/** A look in the stages of a day; nothing is asked without stages. The day before stays until the new one is there. */
export function useDay(clientId: Ref<string>, asking: Ref<Asking | null>, stages: Ref<StageBody[]>) {
  const asked = computed(() =>
    asking.value && stages.value.length ? JSON.stringify({ ...asking.value, stages: stages.value }) : null,
  )
  const { answer, problem } = useServer<Day>(
    () => (asked.value === null ? null : keys.day(clientId.value, asked.value)),
    () =>
      answered(
        api.POST('/api/clients/{client_id}/day', {
          params: { path: { client_id: clientId.value } },
          body: JSON.parse(asked.value ?? '{}') as Asking & { stages: StageBody[] },
        }),
      ),
    { keeps: true, remembered: REMEMBERED },
  )
  return { day: answer, problem }
}
