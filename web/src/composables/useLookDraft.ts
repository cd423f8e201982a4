import { useLocalStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import type { Intent, Meant, Schools, StageBody, Theme, Worn } from '@/api'

export interface Draft {
  pieces: string[]
  intent: Intent | null
  name: string
  keptAs: string | null
  /** How pieces are worn here, where it is not as they usually are. */
  worn: Record<string, Worn>
  /** Seated or not, where it is not as the client usually is. */
  seated: boolean | null
  formality: number | null
  warmth: number | null
  /** The school this look follows, where it is not the client's. */
  conventions: Schools | null
  /** Reasons that are broken knowingly. */
  meant: Meant[]
  theme: Theme | null
  /** Of the day over which it is worn. */
  stages: StageBody[]
}
export const EMPTY: Draft = {
  pieces: [],
  intent: null,
  name: '',
  keptAs: null,
  worn: {},
  seated: null,
  formality: null,
  warmth: null,
  conventions: null,
  meant: [],
  theme: null,
  stages: [],
}
interface History {
  past: Draft[]
  now: Draft
  future: Draft[]
}
const MOST = 200

/** The look on the figure, kept on this machine at every change, with every step undoable. */
export function useLookDraft(clientId: Ref<string>) {
  const all = useLocalStorage<Record<string, History>>('look-drafts', {})
  const history = computed<History>(() => all.value[clientId.value] ?? { past: [], now: EMPTY, future: [] })
  const write = (next: History) => (all.value = { ...all.value, [clientId.value]: next })

  function change(next: Partial<Draft>) {
    const { past, now } = history.value
    write({ past: [...past, now].slice(-MOST), now: { ...now, ...next }, future: [] })
  }
  function undo() {
    const { past, now, future } = history.value
    const before = past.at(-1)
    if (before) write({ past: past.slice(0, -1), now: before, future: [now, ...future] })
  }
  function redo() {
    const { past, now, future } = history.value
    const next = future[0]
    if (next) write({ past: [...past, now], now: next, future: future.slice(1) })
  }
  /** Drops what is no longer on the rail, without a step of its own. */
  function keepOnly(known: string[]) {
    const clean = (draft: Draft): Draft => ({ ...draft, pieces: draft.pieces.filter((id) => known.includes(id)) })
    const { past, now, future } = history.value
    if (now.pieces.some((id) => !known.includes(id)))
      write({ past: past.map(clean), now: clean(now), future: future.map(clean) })
  }
  return {
    draft: computed<Draft>(() => ({ ...EMPTY, ...history.value.now })),
    canUndo: computed(() => history.value.past.length > 0),
    change,
    undo,
    redo,
    keepOnly,
  }
}
