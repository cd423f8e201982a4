import type { Ref } from 'vue'
import type { Audit, Company, Habit, Import, Leanings, Piece, RailChange, Work } from '@/api'
import { keys, touch } from './cache'
import { answered, api, asForm } from './http'
import { firstProblem } from './firstProblem'
import { useServer } from './useServer'
import { useTried } from './useTried'

const at = (client: string) => ({ params: { path: { client_id: client } } })

/** What a rail is made of, and how hard its pieces work; each asked for only while it is shown. */
export function useAudit(clientId: Ref<string>, shown: (panel: 'made' | 'work') => boolean) {
  const audit = useServer<Audit>(
    () => (shown('made') ? keys.audit(clientId.value) : null),
    () => answered(api.GET('/api/clients/{client_id}/audit', at(clientId.value))),
  )
  const work = useServer<Work>(
    () => (shown('work') ? keys.work(clientId.value) : null),
    () => answered(api.GET('/api/clients/{client_id}/work', at(clientId.value))),
  )
  return {
    audit: audit.answer,
    auditProblem: audit.problem,
    work: work.answer,
    workProblem: work.problem,
  }
}

/** What a piece stands beside. */
export function useCompany(clientId: () => string, piece: () => Piece) {
  return useServer<Company>(
    () => keys.company(clientId(), piece().id),
    () => answered(api.GET('/api/pieces/{piece_id}/company', { params: { path: { piece_id: piece().id } } })),
  ).answer
}

/** Everything that was changed on a rail, newest first. */
export function usePastChanges(clientId: () => string) {
  return useServer<RailChange[]>(
    () => keys.changes(clientId()),
    () => answered(api.GET('/api/clients/{client_id}/changes', at(clientId()))),
  ).answer
}

/** What this studio hangs otherwise than read, and the borders that were moved for it. */
export function useLeanings(clientId: () => string) {
  const { answer: leanings, problem: asked } = useServer<Leanings>(
    () => keys.leanings(clientId()),
    () => answered(api.GET('/api/clients/{client_id}/leanings', at(clientId()))),
  )
  const { problem: failed, tried } = useTried()
  const changed = (act: () => Promise<unknown>) =>
    tried(async () => {
      await act()
      await touch(keys.all(clientId()), keys.clients)
    })
  const move = ({ family, read, said }: Habit) =>
    changed(() =>
      answered(api.POST('/api/clients/{client_id}/leanings', { ...at(clientId()), body: { family, read, said } })),
    )
  const back = (number: number) =>
    changed(() =>
      answered(
        api.DELETE('/api/clients/{client_id}/leanings/{number}', {
          params: { path: { client_id: clientId(), number } },
        }),
      ),
    )
  return { leanings, problem: firstProblem(failed, asked), move, back }
}

/** A rail that comes in from a file: what it would do is said before it does it. */
export function useRailImport(clientId: () => string) {
  const { problem, tried } = useTried()
  const send = (file: File, apply: boolean) =>
    tried(async (): Promise<Import> => {
      const form = asForm('rail', [file], { apply: String(apply) })
      const plan = await answered(api.POST('/api/clients/{client_id}/rail/import', { ...at(clientId()), ...form }))
      if (apply) await touch(keys.all(clientId()))
      return plan
    })
  return { problem, send }
}
