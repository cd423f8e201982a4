/** Where colours lie in one of the two planes of the map. */
export type Plane = 'from above' | 'from the side'

export interface Spot {
  id: string
  x: number
  y: number
}

/** Across and down, in CIELAB units: hue and chroma from above; lightness against a* and b*, turned, from the side. */
export function spotOf(lab: number[], plane: Plane, turn: number): { x: number; y: number } {
  const [lightness = 0, a = 0, b = 0] = lab
  if (plane === 'from above') return { x: a, y: -b }
  const angle = (turn * Math.PI) / 180
  return { x: a * Math.cos(angle) + b * Math.sin(angle), y: 100 - lightness }
}

const WAYS: Record<string, [number, number]> = {
  arrowright: [1, 0],
  arrowleft: [-1, 0],
  arrowdown: [0, 1],
  arrowup: [0, -1],
}

/** The nearest place that way, those straight ahead first; none where nothing lies there. */
export function nextThatWay(spots: Spot[], from: string | null, key: string): string | null {
  const way = WAYS[key]
  const here = spots.find((one) => one.id === from)
  if (!way) return null
  if (!here) return spots[0]?.id ?? null
  let best: { id: string; cost: number } | null = null
  for (const one of spots) {
    const [dx, dy] = [one.x - here.x, one.y - here.y]
    const ahead = dx * way[0] + dy * way[1]
    const aside = Math.abs(dx * way[1]) + Math.abs(dy * way[0])
    if (one.id === here.id || ahead <= 0) continue
    const cost = ahead + 2 * aside
    if (!best || cost < best.cost) best = { id: one.id, cost }
  }
  return best?.id ?? null
}
