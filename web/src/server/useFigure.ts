import { computed, type Ref } from 'vue'
import type { Drawn, LookToDraw } from '@/api'
import { keys } from './cache'
import { answered, api } from './http'
import { useServer } from './useServer'

/** Some looks as they are drawn, in their order; the drawing before stays until the new one is there.
 *  now: whether they may be asked for, where something else goes first. */
export function useFigures(clientId: Ref<string>, looks: Ref<LookToDraw[]>, now: () => boolean = () => true) {
  const asked = computed(() => JSON.stringify(looks.value))
  const { answer, problem } = useServer<Drawn[]>(
    () => (looks.value.length ? keys.figures(clientId.value, asked.value) : null),
    () =>
      answered(
        api.POST('/api/clients/{client_id}/figures', {
          params: { path: { client_id: clientId.value } },
          body: { looks: JSON.parse(asked.value) as LookToDraw[] },
        }),
      ),
    { keeps: true, remembered: REMEMBERED, now },
  )
  return { drawn: computed(() => answer.value ?? []), problem }
}

/** A drawing that nobody shows is soon another one. */
const REMEMBERED = 30_000
