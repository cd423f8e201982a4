import { onBeforeUnmount, onMounted } from 'vue'

export type Keys = Record<string, (event: KeyboardEvent) => void>

/** Whether someone is typing, so that letters are letters. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    target.closest('input, textarea, select, [contenteditable], .n-base-selection') !== null
  )
}

const isControl = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest('button, a, [role=button]') !== null

/** Keys of a screen: one key, one meaning. Names as in KeyboardEvent.key, lower case, with ctrl+ and shift+ before. */
export function useKeys(keys: () => Keys): void {
  function pressed(event: KeyboardEvent) {
    if (event.altKey || (isTyping(event.target) && event.key !== 'Escape')) return
    const held = `${event.ctrlKey || event.metaKey ? 'ctrl+' : ''}${event.shiftKey && event.key.length > 1 ? 'shift+' : ''}`
    const name = event.key === ' ' ? 'space' : event.key.toLowerCase()
    // a focused button keeps its own space and Enter
    if ((name === 'space' || name === 'enter') && isControl(event.target)) return
    const act = keys()[held + name]
    if (act) {
      event.preventDefault()
      act(event)
    }
  }
  onMounted(() => window.addEventListener('keydown', pressed))
  onBeforeUnmount(() => window.removeEventListener('keydown', pressed))
}
