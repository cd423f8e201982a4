import { ref, type Ref } from 'vue'

/** Pixels from which a press is a drag. */
const FROM = 7
/** Pixels from an end at which the row comes along. */
const EDGE = 48

/** Things in a row that are dragged onto each other, by mouse or finger. name: the data attribute that holds the id of each. */
export function useDragAlong(
  row: Ref<HTMLElement | null>,
  name: string,
  dropped: (from: string, onto: string) => void,
) {
  const drag = ref<{ from: string; over: string | null; x: number; y: number; begun: boolean } | null>(null)
  /** The click that ends a drag chooses nothing; a finger makes none. */
  let dragged = false
  function grab(event: PointerEvent, id: string, may = true) {
    dragged = false
    if (event.button !== 0 || !may) return
    drag.value = { from: id, over: null, x: event.clientX, y: event.clientY, begun: false }
    ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  }
  function pull(event: PointerEvent) {
    const now = drag.value
    if (!now) return
    if (!now.begun && Math.hypot(event.clientX - now.x, event.clientY - now.y) < FROM) return
    const all = row.value?.getBoundingClientRect()
    if (all && event.clientX > all.right - EDGE) row.value?.scrollBy({ left: EDGE / 3 })
    if (all && event.clientX < all.left + EDGE) row.value?.scrollBy({ left: -EDGE / 3 })
    const under = document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>(`[data-${name}]`)
    drag.value = { ...now, begun: true, over: under?.dataset[name] ?? null }
  }
  function drop() {
    const now = drag.value
    drag.value = null
    if (!now?.begun || !now.over || now.over === now.from) return
    dragged = true
    dropped(now.from, now.over)
  }
  /** Whether a click is one, and not the end of a drag. */
  function clicked(): boolean {
    const is = !dragged
    dragged = false
    return is
  }
  return { drag, grab, pull, drop, clicked }
}
