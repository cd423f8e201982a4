import type { Piece } from '@/api'
import { lightnessWord } from './words'

/** What can be typed to find a piece: everything that is said of it. */
export function wordsOf(piece: Piece): string[] {
  const kept = piece.kept
  const said = [
    piece.label,
    piece.category,
    piece.sort.bin,
    piece.sort.name,
    piece.sort.family,
    piece.sort.undertone,
    piece.sort.lean ?? '',
    piece.pattern,
    piece.pattern === 'solid' ? 'plain' : 'patterned',
    piece.scale ?? '',
    ...piece.finish,
    piece.metal === 'none' ? '' : piece.metal,
    piece.volume,
    piece.length ?? '',
    lightnessWord(piece.lightness),
    piece.doubtful ? 'doubt' : '',
    piece.bin_said ? 'corrected' : '',
    piece.suits === null ? '' : piece.suits ? 'suits' : 'unsuited',
    ...(kept.uses ?? []),
    ...piece.seasons,
    kept.verdict ?? 'undecided',
    kept.set ? `set ${kept.set}` : '',
    kept.other_face ? 'reversible' : '',
    kept.fits === true ? 'fits' : kept.fits === false ? 'outgrown' : '',
    piece.worn_days ? 'worn' : 'unworn',
    kept.size ?? '',
    kept.note ?? '',
    ...piece.looks,
  ]
  return said
    .join(' ')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
}

/** The ids of the pieces that some typed words find: all words, or those after `or`; a word after `not` must be missing. */
export function found(pieces: Piece[], typed: string, known: Map<string, string[]>): Set<string> | null {
  const ways = typed
    .toLowerCase()
    .split(/\bor\b|,/)
    .map(terms)
    .filter((way) => way.length)
  if (!ways.length) return null
  const holds = (words: string[], way: Term[]) =>
    way.every((term) => words.some((word) => word.startsWith(term.word)) !== term.not)
  return new Set(
    pieces.filter((piece) => ways.some((way) => holds(known.get(piece.id) ?? [], way))).map((piece) => piece.id),
  )
}

interface Term {
  word: string
  not: boolean
}

function terms(text: string): Term[] {
  const read: Term[] = []
  let not = false
  for (const raw of text.split(/\s+/)) {
    const minus = raw.startsWith('-') && raw.length > 1
    const word = raw.replace(/[^\p{L}\p{N}]+/gu, '')
    if (word === 'not' || word === 'no') not = true
    else if (word && word !== 'in' && word !== 'and') {
      read.push({ word, not: not || minus })
      not = false
    }
  }
  return read
}
