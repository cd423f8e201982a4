import { computed, type Ref } from 'vue'
import type { Wear, WearBody, Wearing } from '@/api'
import { keys, touch } from './cache'
import { firstProblem } from './firstProblem'
import { answered, api, asForm } from './http'
import { useServer } from './useServer'
import { useStep } from './useStep'
import { useTried } from './useTried'

/** A client's wear log: the lines of some days, what it tells, and every step back. */
export function useWears(clientId: Ref<string>, span: Ref<[string, string]>, now: () => boolean = () => true) {
  const { problem: failed, tried } = useTried()
  const { told, inTurn, undo, redo } = useStep(clientId, tried)
  const at = () => ({ params: { path: { client_id: clientId.value } } })
  const { answer, problem: unlisted } = useServer<Wear[]>(
    () => keys.wears(clientId.value, ...span.value),
    () =>
      answered(
        api.GET('/api/clients/{client_id}/wears', {
          params: { path: { client_id: clientId.value }, query: { first: span.value[0], last: span.value[1] } },
        }),
      ),
    { keeps: true, now },
  )
  const { answer: wearing, problem: untold } = useServer<Wearing>(
    () => keys.wearing(clientId.value),
    () => answered(api.GET('/api/clients/{client_id}/wearing', at())),
    { now },
  )
  const done = <T>(what: string, act: () => Promise<T>) =>
    inTurn(() =>
      tried(async () => {
        const made = await act()
        told.value = what
        await touch(keys.all(clientId.value))
        return made
      }),
    )
  const add = (body: WearBody) =>
    done('Written into the log.', () => answered(api.POST('/api/clients/{client_id}/wears', { ...at(), body })))
  const change = (id: string, body: WearBody) =>
    done('Changed in the log.', () =>
      answered(api.PUT('/api/wears/{wear_id}', { params: { path: { wear_id: id } }, body })),
    )
  const takeOut = (id: string) =>
    done('Taken out of the log. Ctrl+Z puts it back.', () =>
      answered(api.DELETE('/api/wears/{wear_id}', { params: { path: { wear_id: id } } })),
    )
  const takeIn = (file: File) =>
    done('', () =>
      answered(api.POST('/api/clients/{client_id}/wears/file', { ...at(), ...asForm('log_file', [file]) })),
    )
  return {
    wears: computed(() => answer.value ?? []),
    wearing,
    told,
    problem: firstProblem(failed, unlisted, untold),
    add,
    change,
    takeOut,
    takeIn,
    undo,
    redo,
  }
}
