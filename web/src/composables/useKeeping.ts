import { computed, ref, watch, type Ref } from 'vue'
import type { Intent, KeptLook, LookKept } from '@/api'
import { useKeptLooks } from '@/server/useKeptLooks'
import { EMPTY, type Draft } from './useLookDraft'

interface Drafting {
  draft: Ref<Draft>
  /** The pieces of it that still hang on the rail. */
  onRail: Ref<string[]>
  change: (next: Partial<Draft>) => void
  undo: () => void
}

/** What a look on the figure has to do with the looks that are kept: opened, kept, varied, let go, put back. */
export function useKeeping(clientId: Ref<string>, { draft, onRail, change, undo }: Drafting) {
  const { looks, gone, problem, keep, keepAbout, keepPhoto, letGo, putBack } = useKeptLooks(clientId)
  /** What was done last, for the eye and the screen reader. */
  const said = ref('')
  const openLook = computed(() => looks.value.find((look) => look.id === draft.value.keptAs) ?? null)

  function open(look: KeptLook) {
    const { worn, seated, formality, warmth, conventions, meant, theme, stages } = { ...EMPTY, ...look.kept }
    const told = { worn, seated, formality, warmth, conventions, meant, theme, stages }
    change({ pieces: look.pieces, intent: look.intent, name: look.name, keptAs: look.id, ...told })
  }
  function toldOf({ worn, seated, formality, warmth, conventions, meant, theme, stages }: Draft): LookKept {
    return { worn, seated, formality, warmth, conventions, meant, theme, stages }
  }
  /** Another one is a variation of the look that is open. */
  async function keepAs(name: string, another = false) {
    const before = openLook.value
    const parent = another && before ? { parent: before.kept.parent ?? before.id } : {}
    const kept = await keep(
      { ...draft.value, pieces: onRail.value, name, keptAs: another ? null : (before?.id ?? null) },
      { ...(another ? {} : before?.kept), ...parent, ...toldOf(draft.value) },
    )
    if (!kept) return
    change({ name: kept.name, keptAs: kept.id })
    said.value = `Kept as ${kept.name}.`
  }
  /** A turn is a variation of the look that is open; one that is not kept yet is kept first. */
  async function keepTurned(pieces: string[], intent: Intent | null, named: (name: string) => string, usual: string) {
    if (!openLook.value) await keepAs(draft.value.name || usual)
    const now = openLook.value
    if (!now) return
    const child = await keep(
      { name: named(now.name), pieces, intent, keptAs: null },
      { parent: now.kept.parent ?? now.id },
    )
    if (child) said.value = `Kept as ${child.name}.`
  }
  async function letLookGo(look: KeptLook) {
    await letGo(look)
    if (gone.value) said.value = `${gone.value.told} Ctrl+Z puts it back.`
  }
  /** The newest step is taken back, be it on the figure or among the kept looks. */
  async function takeBack() {
    if (!gone.value) return undo()
    const told = await putBack()
    if (told) said.value = `Taken back: ${told}.`
  }
  watch(draft, () => (gone.value = null))
  const about = (what: LookKept) => openLook.value && void keepAbout(openLook.value.id, what)
  return { looks, gone, said, openLook, problem, open, keepAs, keepTurned, letLookGo, takeBack, about, keepPhoto }
}
