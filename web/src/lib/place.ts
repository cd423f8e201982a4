/** Where a pointer is inside an element, in fractions from its top left corner, never outside. */
export function placeIn(element: Element, event: { clientX: number; clientY: number }): { x: number; y: number } {
  const box = element.getBoundingClientRect()
  const within = (value: number) => Math.min(1, Math.max(0, value))
  return { x: within((event.clientX - box.left) / box.width), y: within((event.clientY - box.top) / box.height) }
}
