import type { Judged, Measure } from '@/api'
import { signed } from './words'

export const MEASURES = ['harmony', 'contrast', 'monochrome', 'statement', 'colouring'] as const
export interface Differing {
  measure: (typeof MEASURES)[number]
  before: Measure | null
  after: Measure | null
  /** Reasons that came, went or changed, the largest first. */
  reasons: { text: string; by: number; pieces: string[] }[]
}
const LEAST = 0.5

/** What one verdict has and another has not: a reason counts by what it adds to the measure or takes from it. */
export function differing(before: Judged, after: Judged): Differing[] {
  return MEASURES.map((measure) => {
    const [one, other] = [before.measures[measure] as Measure | null, after.measures[measure] as Measure | null]
    const codes = new Set([...(one?.because ?? []), ...(other?.because ?? [])].map((reason) => reason.code))
    const reasons = [...codes].flatMap((code) => {
      const was = one?.because.find((reason) => reason.code === code)
      const is = other?.because.find((reason) => reason.code === code)
      const by = (is?.points ?? 0) - (was?.points ?? 0)
      if (Math.abs(by) < LEAST) return []
      return [{ text: is ? is.text : `no longer: ${was?.text ?? ''}`, by, pieces: (is ?? was)?.pieces ?? [] }]
    })
    return { measure, before: one, after: other, reasons: reasons.sort((a, b) => Math.abs(b.by) - Math.abs(a.by)) }
  })
}

/** How far the whole moved, in words. */
export function moved(before: Judged, after: Judged): string {
  const by = after.overall - before.overall
  return Math.abs(by) < 0.05 ? 'the whole stays where it was' : `the whole ${signed(by, 1)}`
}
