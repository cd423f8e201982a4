import { computed, type Ref } from 'vue'
import type { Asking, Turn, Turns } from '@/api'
import { keys } from './cache'
import { answered, api } from './http'
import { useServer } from './useServer'

const REMEMBERED = 30_000

/** The smallest changes that turn a look; nothing is asked until it is said where to. */
export function useTurns(clientId: Ref<string>, asking: Ref<Asking | null>, to: Ref<Turn | null>) {
  const asked = computed(() => (asking.value && to.value ? JSON.stringify({ ...asking.value, to: to.value }) : null))
  const {
    answer,
    problem,
    asking: turning,
  } = useServer<Turns>(
    () => (asked.value === null ? null : keys.turns(clientId.value, asked.value)),
    () =>
      answered(
        api.POST('/api/clients/{client_id}/turn', {
          params: { path: { client_id: clientId.value } },
          body: JSON.parse(asked.value ?? '{}') as Asking & { to: Turn },
        }),
      ),
    { remembered: REMEMBERED },
  )
  return { turns: answer, turning, problem }
}
