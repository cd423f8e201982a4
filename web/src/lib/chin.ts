import type { Portrait } from '@/api'

/** Where the chin is in the newest portrait that counts, in fractions of its height: below the eyes by as much again and a half as they lie under the hair. */
export function chinOf(portraits: Portrait[]): number {
  const shown = portraits.filter((one) => one.source === 'portrait' && one.pictures.person)
  const one = shown.findLast((portrait) => portrait.in_use) ?? shown.at(-1)
  const lowest = Math.max(0, ...(one?.spots.skin ?? []).map((spot) => spot.y))
  const eyes = (one?.spots.eyes ?? []).map((spot) => spot.y)
  if (!eyes.length) return lowest ? lowest + 0.1 : 0.6
  const eye = eyes.reduce((sum, y) => sum + y, 0) / eyes.length
  const cheek = Math.max(lowest - eye, 0.06)
  return Math.min(0.8, eye + 2.35 * cheek)
}
