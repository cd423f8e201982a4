import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import type { Drawn, LookToDraw } from '@/api'
import { keys } from './cache'
import { answered, api } from './http'
import { useServer } from './useServer'

const draw = (client_id: string, looks: LookToDraw[]) =>
  answered(api.POST('/api/clients/{client_id}/figures', { params: { path: { client_id } }, body: { looks } }))

/** Some looks as they are drawn, in their order; the drawing before stays until the new one is there.
 *  now: whether they may be asked for, where something else goes first. */
export function useFigures(clientId: Ref<string>, looks: Ref<LookToDraw[]>, now: () => boolean = () => true) {
  const asked = computed(() => JSON.stringify(looks.value))
  const { answer, problem } = useServer<Drawn[]>(
    () => (looks.value.length ? keys.figures(clientId.value, asked.value) : null),
    () => draw(clientId.value, JSON.parse(asked.value) as LookToDraw[]),
    { keeps: true, remembered: REMEMBERED, now },
  )
  return { drawn: computed(() => answer.value ?? []), problem }
}

/** Looks that come one after another as they are drawn, null where one is not yet: each is drawn once, whatever joins it,
 *  and what came drawn is not asked for. of: what they are drawn of, null until it is known; when it changes all are
 *  drawn anew. */
export function useFiguresOfMany(
  clientId: Ref<string>,
  looks: Ref<(LookToDraw & { drawn?: Drawn | null })[]>,
  of: Ref<unknown>,
) {
  const name = ({ pieces, worn }: LookToDraw) => JSON.stringify([pieces, worn])
  const known = shallowRef(new Map<string, Drawn>())
  /** Those on their way: what joins meanwhile waits for them, so that the first is not kept back by the next. */
  const asked = shallowRef<LookToDraw[]>([])
  const round = ref(0)
  const missing = computed(() => looks.value.filter((look) => !known.value.has(name(look))))
  const { answer, problem } = useServer<Drawn[]>(
    () => (asked.value.length ? keys.figures(clientId.value, `${round.value} ${JSON.stringify(asked.value)}`) : null),
    () => draw(clientId.value, asked.value),
    // what is known is remembered here, and an older drawing would be taken for it
    { remembered: 0 },
  )
  const know = (drawn: [LookToDraw, Drawn][]) =>
    (known.value = new Map([...known.value, ...drawn.map(([look, one]): [string, Drawn] => [name(look), one])]))
  function goOn() {
    const now = answer.value
    if (now) {
      know(asked.value.map((look, k) => [look, now[k]!]))
      asked.value = []
    }
    const came = missing.value.filter((look) => look.drawn)
    if (came.length) know(came.map((look) => [look, look.drawn!]))
    if (!asked.value.length || problem.value) asked.value = missing.value.map(({ pieces, worn }) => ({ pieces, worn }))
  }
  watch([missing, answer], goOn, { immediate: true })
  watch(of, (_, before) => {
    if (before === null) return
    round.value++
    asked.value = []
    known.value = new Map()
  })
  return { drawn: computed(() => looks.value.map((look) => known.value.get(name(look)) ?? null)), problem }
}

/** A drawing that nobody shows is soon another one. */
const REMEMBERED = 30_000
