/** Moves labels apart so that none covers another: wanted heights in, kept order. */
export function spread(wanted: number[], gap: number, low: number, high: number): number[] {
  const order = wanted.map((_, i) => i).sort((a, b) => (wanted[a] ?? 0) - (wanted[b] ?? 0))
  const placed = [...wanted]
  let last = low - gap
  for (const i of order) last = placed[i] = Math.max(wanted[i] ?? 0, last + gap)
  let next = high + gap
  for (const i of order.reverse()) next = placed[i] = Math.min(placed[i] ?? 0, next - gap)
  return placed
}
