import type { Colouring } from '@/api'
import { warmthWord } from './words'

/** One measure of a client's colouring as a tape shows it. */
export type Tape = {
  key: keyof Colouring
  name: string
  low: number
  high: number
  ends: [string, string]
  told: (value: number) => string
}

const graded = (words: string[], value: number) =>
  words[Math.min(words.length - 1, Math.max(0, Math.floor(value * words.length)))]!

export const TAPES: Tape[] = [
  { key: 'undertone', name: 'Undertone', low: -1, high: 1, ends: ['cool', 'warm'], told: warmthWord },
  {
    key: 'depth',
    name: 'Depth',
    low: 0,
    high: 1,
    ends: ['light', 'deep'],
    told: (v) => graded(['light', 'rather light', 'middle', 'rather deep', 'deep'], v),
  },
  {
    key: 'clarity',
    name: 'Clarity',
    low: 0,
    high: 1,
    ends: ['soft', 'clear'],
    told: (v) => graded(['soft', 'rather soft', 'between', 'rather clear', 'clear'], v),
  },
  {
    key: 'contrast',
    name: 'Contrast',
    low: 0,
    high: 80,
    ends: ['gentle', 'strong'],
    told: (v) => `${v.toFixed(0)} L*`,
  },
]

/** The depth of skin after its individual typology angle, in degrees. */
export function skinDepth(angle: number): string {
  const steps: [number, string][] = [
    [55, 'very light'],
    [41, 'light'],
    [28, 'intermediate'],
    [10, 'tan'],
    [-30, 'brown'],
  ]
  return steps.find(([least]) => angle > least)?.[1] ?? 'deep'
}

/** A chance as a person says it: nothing that people judge is ever wholly sure. */
const surely = (chance: number) => (chance > 0.99 ? 'more than 99 % sure' : `${Math.round(chance * 100)} % sure`)

/** What a trial has found of the side of the undertone, with its chance. */
export function sideWords(warm: number, balanced: number): string {
  if (balanced > 0.7) return `between warm and cool, ${surely(balanced)}`
  return `${warm > 0.5 ? 'warm' : 'cool'}, ${surely(Math.max(warm, 1 - warm))}`
}

/** A list as a person says it. */
export const listed = (words: string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`
