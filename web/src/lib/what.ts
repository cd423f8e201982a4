import type { Finish, Sayable, What, Word } from '@/api'

/** What a piece may be made of, for a list. */
export const FINISHES: Finish[] = [
  'matte',
  'knit',
  'rib',
  'denim',
  'linen',
  'tweed',
  'corduroy',
  'silk',
  'satin',
  'velvet',
  'lace',
  'sheer',
  'pleat',
  'quilt',
  'leather',
  'suede',
  'patent',
  'fur',
  'straw',
  'sequin',
  'metallic',
  'pearl',
  'stone',
]

/** Words of the cut that are told by choosing one. */
export const DETAILS = {
  neckline: ['round', 'pointed', 'wide', 'high', 'collar', 'straps'],
  closure: ['pulled on', 'buttons', 'zip', 'wrapped', 'laces'],
  heel: ['flat', 'low', 'high'],
  toe: ['round', 'narrow', 'pointed', 'open'],
  sole: ['thin', 'middling', 'heavy'],
  size: ['small', 'middling', 'large'],
} as const
export type Detail = keyof typeof DETAILS

export const FORMALITY = ['beach and garden', 'every day', 'a smart day', 'a dressed evening', 'black tie']
export const WARMTH = ['bare summer', 'a mild day', 'a cool day', 'a cold day', 'deep winter']

/** The word of a place on a scale. */
export const onScale = (words: string[], place: number): string =>
  words[Math.min(words.length - 1, Math.max(0, Math.round(place)))] ?? ''

/** How loud a piece is, in a word. */
export const loudness = (value: number): string => (value < 0.2 ? 'quiet' : value < 0.55 ? 'speaks' : 'loud')

/** The finishes that are said once one more is chosen, or one less. What was only seen gives way to the first word. */
export function chosenFinish(what: Pick<What, 'finish' | 'unsaid'>, finish: Finish): Word {
  const said = what.unsaid.includes('finish') ? [] : what.finish
  const next = said.includes(finish) ? said.filter((one) => one !== finish) : [...said, finish]
  return next.length ? { finish: next } : { finish: null, unsaid: ['finish'] }
}

/** A word over what was said before: what is said now is no longer unsaid, and the other way round. */
export function over(before: Word, now: Word): Word {
  const next: Word = { ...before, ...now }
  if (now.cut) next.cut = { ...before.cut, ...now.cut }
  for (const name of now.unsaid ?? []) {
    if (next.cut && name in next.cut) next.cut = { ...next.cut, [name]: null }
    else if (name in next) next[name as 'length'] = null
  }
  delete next.unsaid
  return next
}

/** A word of the cut that is taken back, or said. */
export function detail(name: Detail | 'sleeve', word: string, what: What): Word {
  const said = what.cut[name] === word && !what.unsaid.includes(name)
  return said ? { unsaid: [name as Sayable] } : { cut: { [name]: word } }
}
