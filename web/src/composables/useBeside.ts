import { computed, ref, watch, type Ref } from 'vue'
import type { Asking, Client, Judged, KeptLook, LookToDraw, Mend, Piece } from '@/api'
import { mended, type Beside } from '@/lib/beside'
import { asWorn } from '@/lib/worn'
import { firstProblem } from '@/server/firstProblem'
import { useClients } from '@/server/useClients'
import { useFigures } from '@/server/useFigure'
import { useVerdict } from '@/server/useVerdict'

interface Here {
  id: Ref<string>
  client: Ref<Client | null>
  rail: Ref<Piece[]>
  /** Ids of what joins every look of this client. */
  always: Ref<string[]>
  asking: Ref<Asking | null>
  judged: Ref<Judged | null>
  looks: Ref<KeptLook[]>
  rain: Ref<boolean>
  /** Whether the look that is worked on is seen seated. */
  seated: Ref<boolean>
}

/** What is held beside the look that is worked on: its pieces, its face, its drawing and its verdict. */
export function useBeside({ id, client, rail, always, asking, judged, looks, rain, seated }: Here) {
  const beside = ref<Beside | null>(null)
  /** Only who wants to hold something beside the look asks who else could wear it. */
  const wanted = ref(false)
  const { answer: book, problem: othersProblem } = useClients(() => wanted.value)
  const others = computed(() => (book.value ?? []).filter((one) => !one.archived && one.id !== id.value))
  const look = computed(() => {
    const what = beside.value
    return what?.kind === 'look' ? (looks.value.find((one) => one.id === what.id) ?? null) : null
  })
  const wearer = computed(() => {
    const what = beside.value
    return what?.kind === 'client' ? (others.value.find((one) => one.id === what.id) ?? null) : null
  })
  const held = ref<Mend | null>(null)
  watch(beside, (what) => (held.value = what?.kind === 'mend' ? (judged.value?.mends[0] ?? null) : null))
  watch([() => asking.value?.pieces.join(), id], () => {
    if (beside.value?.kind === 'mend') beside.value = null
  })
  const asked = computed<Asking | null>(() => {
    if (!asking.value) return null
    if (held.value) return { ...asking.value, pieces: mended(asking.value.pieces, held.value) }
    if (wearer.value) return { ...asking.value, on: wearer.value.id }
    if (!look.value) return null
    const { worn = {}, formality = null, warmth = null, conventions = null } = look.value.kept
    return {
      pieces: look.value.pieces,
      intent: look.value.intent,
      rain: rain.value,
      worn,
      formality,
      warmth,
      conventions,
    }
  })
  const { judged: verdict, problem: judgeProblem } = useVerdict(id, asked)
  const pieces = computed(() => {
    const own = asked.value?.pieces ?? []
    const joining = wearer.value ? [] : always.value.filter((one) => !own.includes(one))
    return asWorn(rail.value, [...own, ...joining], asked.value?.worn ?? {})
  })
  const toDraw = computed<LookToDraw[]>(() =>
    pieces.value.length
      ? [
          {
            pieces: pieces.value.map((one) => one.id),
            worn: asked.value?.worn ?? {},
            on: wearer.value?.id ?? null,
            seated: look.value ? (look.value.kept.seated ?? null) : seated.value,
          },
        ]
      : [],
  )
  const { drawn, problem: drawProblem } = useFigures(id, toDraw)
  const name = computed(() =>
    held.value ? 'with the change' : (look.value?.name ?? (wearer.value ? `on ${wearer.value.name}` : '')),
  )
  /** What is shown at the other side; none while nothing is held beside. */
  const side = computed(() =>
    asked.value && client.value
      ? {
          client: wearer.value ?? client.value,
          pieces: pieces.value,
          drawn: drawn.value[0] ?? null,
          judged: verdict.value,
          name: name.value,
        }
      : null,
  )
  const hereName = computed(() => (wearer.value ? `on ${client.value?.name ?? ''}` : 'this look'))
  const problem = firstProblem(judgeProblem, drawProblem)
  return { beside, held, others, findOthers: () => (wanted.value = true), side, hereName, problem, othersProblem }
}

export type Side = NonNullable<ReturnType<typeof useBeside>['side']['value']>
