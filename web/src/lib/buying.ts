import type { Candidate, Considered, SaidBefore } from '@/api'
import { capital, plural } from './words'

/** What a candidate is called. */
export const candidateName = (one: Candidate): string =>
  one.piece?.label ?? one.photo?.name ?? capital((one.category ?? 'candidate').replace('-', ' '))

/** How far a candidate has come, where nothing is said of it yet. */
export function standing(one: Candidate): string {
  if (one.photo?.state === 'failed') return 'not read'
  if (one.photo && !one.photo.reading) return one.photo.stage || 'being read'
  if (!one.piece) return 'what is it?'
  return one.judged?.word ?? 'being judged'
}

/** What was said before and is said no longer, in a sentence. */
export function saidBefore(before: SaidBefore, now: Considered): string {
  const on = new Date(before.on).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })
  const then = `On ${on}, with ${plural(before.pieces, 'piece')} on the rail, it was '${before.word}' and opened ${before.opens}`
  return before.word === now.word
    ? `${then}; now it opens ${now.opens}.`
    : `${then}; now it is '${now.word}' and opens ${now.opens}.`
}

/** A lightness, a chroma and a hue angle as CIELAB. */
export function labOf(lightness: number, chroma: number, hue: number): [number, number, number] {
  const angle = (hue * Math.PI) / 180
  const short = (value: number) => Math.round(value * 100) / 100
  return [short(lightness), short(chroma * Math.cos(angle)), short(chroma * Math.sin(angle))]
}

/** The top of a tape of looks: a round number above everything on it. */
export function topOf(...values: number[]): number {
  const most = Math.max(...values, 10)
  const step = 10 ** Math.floor(Math.log10(most))
  return Math.ceil((1.1 * most) / step) * step
}

/** Some words, the last after an 'or'. */
export const listed = (words: string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} or ${words.at(-1)}`

const WHY: Record<Candidate['source'], string> = {
  photo: '',
  'picture off a screen': ': its light, and what its maker did to it, are nobody’s',
  'colour reader': '',
  'by eye': ': it was set by eye',
  gap: ': nobody has seen it yet',
}

/** How well the main colour of a candidate is known, and why no better. */
export function knownWithin(one: Candidate): string {
  const within = one.piece?.colours[0]?.uncertainty
  return within == null ? '' : `Its colour is known within ${within.toFixed(0)} CIEDE2000${WHY[one.source]}.`
}
