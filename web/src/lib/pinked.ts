/** The zig-zag edge of cloth: a CSS polygon that follows any size. */
export function pinkedPath(
  across: number,
  down: number,
  depth = 3,
  sides = { top: true, side: true, bottom: true },
): string {
  const points: string[] = []
  const along = (count: number, at: (step: number, inset: number) => string, cut: boolean) => {
    if (!cut) {
      points.push(at(0, 0), at(1, 0))
      return
    }
    for (let i = 0; i <= count * 2; i++) points.push(at(i / (count * 2), i % 2 ? depth : 0))
  }
  const share = (step: number) => `${(step * 100).toFixed(2)}%`
  const rest = (step: number) => `${((1 - step) * 100).toFixed(2)}%`
  along(across, (s, d) => `${share(s)} ${d}px`, sides.top)
  along(down, (s, d) => `calc(100% - ${d}px) ${share(s)}`, sides.side)
  along(across, (s, d) => `${rest(s)} calc(100% - ${d}px)`, sides.bottom)
  along(down, (s, d) => `${d}px ${rest(s)}`, sides.side)
  return `polygon(${points.join(',')})`
}

export type Point = [number, number]

/** The same edge along any closed outline, for drawings. Teeth point inward of a clockwise outline. */
export function pinkedOutline(outline: Point[]): string {
  const cut: Point[] = []
  // small things are cut with small shears
  const fine = Math.min(1, Math.max(0.35, girth(outline) / 420))
  const tooth = 7 * fine
  const depth = 3.2 * fine
  outline.forEach((from, index) => {
    const to = outline[(index + 1) % outline.length] as Point
    const dx = to[0] - from[0]
    const dy = to[1] - from[1]
    const length = Math.hypot(dx, dy)
    const teeth = Math.max(1, Math.round(length / tooth))
    for (let i = 0; i < teeth; i++) {
      cut.push([from[0] + (dx * i) / teeth, from[1] + (dy * i) / teeth])
      const middle = (i + 0.5) / teeth
      cut.push([from[0] + dx * middle - (dy / length) * depth, from[1] + dy * middle + (dx / length) * depth])
    }
  })
  return cut.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ')
}

const girth = (outline: Point[]): number =>
  outline.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = outline[(i + 1) % outline.length] as Point
    return sum + Math.hypot(nextX - x, nextY - y)
  }, 0)
