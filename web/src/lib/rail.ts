import type { Category, Piece, Zone } from '@/api'
import { BINS, capital, CATEGORIES, LIGHTNESS, lightnessWord, SEASONS, VERDICTS } from './words'

export type HangBy = 'sort' | 'category' | 'use' | 'season' | 'lightness' | 'hue' | 'suits' | 'verdict' | 'worn'
export interface Bay {
  title: string
  pieces: Piece[]
  /** What a piece is said to be when it is moved here. */ moves: Move | null
}
export type Move =
  | { bin: Piece['sort']['bin'] }
  | { use: string }
  | { season: Piece['seasons'][number] }
  | { verdict: NonNullable<Piece['kept']['verdict']> }

export const WAYS: { by: HangBy; word: string }[] = [
  { by: 'sort', word: 'sort' },
  { by: 'category', word: 'category' },
  { by: 'use', word: 'use' },
  { by: 'season', word: 'season' },
  { by: 'lightness', word: 'lightness' },
  { by: 'hue', word: 'hue' },
  { by: 'suits', word: 'how well it suits' },
  { by: 'verdict', word: 'verdict' },
  { by: 'worn', word: 'worn' },
]
const ZONES: [string, Zone[]][] = [
  ['Layers', ['layer']],
  ['Tops', ['upper']],
  ['Lower half', ['lower', 'legs']],
  ['Whole', ['whole']],
  ['Feet', ['feet']],
  ['Bags and belts', ['hand', 'waist']],
  ['Head and neck', ['head', 'neck']],
]
const WORN: [string, number, number][] = [
  ['Worn ten days and more', 10, Infinity],
  ['Worn four to nine days', 4, 10],
  ['Worn one to three days', 1, 4],
  ['Never worn', 0, 1],
]
const SUITS: [string, number, number][] = [
  ['Suits best', 0.85, 9],
  ['Suits well', 0.62, 0.85],
  ['Suits less', 0.4, 0.62],
  ['Far from the face', -1, 0.4],
]

/** The bays of a rail, empty ones left out, dark to light inside each; what belongs together hangs together. */
export function baysOf(pieces: Piece[], by: HangBy): Bay[] {
  return rawBays(pieces, by)
    .filter((bay) => bay.pieces.length)
    .map((bay) => ({ ...bay, pieces: together(sortedInside(bay.pieces, by)) }))
}

function rawBays(pieces: Piece[], by: HangBy): Bay[] {
  const leads = leadsOf(pieces)
  const lead = (piece: Piece) => leads.get(piece.id) ?? piece
  const where = (title: string, holds: (piece: Piece) => boolean, moves: Move | null = null): Bay => ({
    title,
    moves,
    pieces: pieces.filter((piece) => holds(lead(piece))),
  })
  switch (by) {
    case 'sort':
      return BINS.map(({ bin, plural }) => where(plural, (p) => p.sort.bin === bin, { bin }))
    case 'category':
      return ZONES.map(([title, zones]) => where(title, (p) => zones.includes(p.zone)))
    case 'use': {
      const uses = [...new Set(pieces.flatMap((p) => p.kept.uses ?? []))].sort()
      return [
        ...uses.map((use) => where(capital(use), (p) => p.kept.uses?.[0] === use, { use })),
        where('No use said', (p) => !p.kept.uses?.length),
      ]
    }
    case 'season':
      return [
        ...SEASONS.map((season) => where(capital(season), (p) => p.seasons[0] === season, { season })),
        where('No season said', (p) => !p.seasons.length),
      ]
    case 'lightness':
      return LIGHTNESS.map(({ word }) => where(capital(word), (p) => lightnessWord(p.lightness) === word))
    case 'hue': {
      const families = [...new Set(pieces.filter((p) => isTone(p)).map((p) => p.sort.family))].sort(
        (a, b) => hueOf(pieces, a) - hueOf(pieces, b),
      )
      return [
        ...families.map((family) => where(capital(family), (p) => isTone(p) && p.sort.family === family)),
        where('Neutrals', (p) => !isTone(p)),
      ]
    }
    case 'suits':
      return [
        ...SUITS.map(([title, low, high]) => where(title, (p) => p.fit !== null && p.fit >= low && p.fit < high)),
        where('Not known', (p) => p.fit === null),
      ]
    case 'worn':
      return WORN.map(([title, low, high]) => where(title, (p) => p.worn_days >= low && p.worn_days < high))
    case 'verdict':
      return [
        ...VERDICTS.map((verdict) => where(capital(verdict), (p) => p.kept.verdict === verdict, { verdict })),
        where('No verdict yet', (p) => !p.kept.verdict),
      ]
  }
}

const isTone = (piece: Piece) => !piece.sort.bin.endsWith('neutral')
const hueOf = (pieces: Piece[], family: string) => pieces.find((p) => isTone(p) && p.sort.family === family)?.hue ?? 0

function sortedInside(pieces: Piece[], by: HangBy): Piece[] {
  const kind = (piece: Piece) => (by === 'category' ? CATEGORIES.indexOf(piece.category) : 0)
  const first = (piece: Piece) =>
    by === 'suits' ? -(piece.fit ?? 0) : by === 'worn' ? -piece.worn_days : piece.lightness
  return [...pieces].sort((a, b) => kind(a) - kind(b) || first(a) - first(b) || a.id.localeCompare(b.id))
}

/** What a piece is never parted from: its set, or the other face of a reversible one. */
export function groupOf(piece: Piece): string | null {
  if (piece.kept.set) return `set ${piece.kept.set}`
  return piece.kept.other_face ? `faces ${[piece.id, piece.kept.other_face].sort().join(' ')}` : null
}

/** For each piece of a group the largest one, which says in which bay they all hang. */
function leadsOf(pieces: Piece[]): Map<string, Piece> {
  const groups = new Map<string, Piece[]>()
  for (const piece of pieces) {
    const group = groupOf(piece)
    if (group) groups.set(group, [...(groups.get(group) ?? []), piece])
  }
  const leads = new Map<string, Piece>()
  for (const group of groups.values()) {
    const lead = [...group].sort((a, b) => b.area - a.area || a.id.localeCompare(b.id))[0]
    if (lead) for (const piece of group) leads.set(piece.id, lead)
  }
  return leads
}

/** Brings the pieces of a group to the place of its first one. */
function together(pieces: Piece[]): Piece[] {
  const done = new Set<string>()
  return pieces.flatMap((piece) => {
    const group = groupOf(piece)
    if (!group) return [piece]
    if (done.has(group)) return []
    done.add(group)
    return pieces.filter((other) => groupOf(other) === group)
  })
}

const HANGS: Partial<Record<Category, number>> = {
  coat: 150,
  dress: 158,
  jumpsuit: 158,
  trousers: 132,
  skirt: 104,
  jacket: 96,
  tunic: 110,
  wrap: 120,
  knit: 84,
  shirt: 88,
  top: 76,
  waistcoat: 72,
  shorts: 66,
  scarf: 92,
  boots: 60,
  shoes: 40,
  bag: 54,
  hat: 42,
  belt: 64,
  tie: 84,
}
/** How long a piece hangs, in pixels at the usual distance. */
export const hangLength = (piece: Piece): number => (HANGS[piece.category] ?? 34) * 1.1

/** Widths of a strip from the whole wall to the cloth. */
export const ZOOMS = [0.5, 0.75, 1, 1.7, 3, 5]

/** How near the pieces are, and whether only their colours are seen. */
export interface Distance {
  zoom: number
  flat: boolean
}
export const distanceOf = (zoom: number): Distance => ({ zoom, flat: zoom < 1 })
/** The weave is seen from here on. */
export const CLOSE = 1.7

/** The colours of a piece as bands, for where there is no picture. */
export function bands(piece: Piece): string {
  // a flat colour is drawn much faster than a gradient of one, and from far away hundreds are drawn at once
  if (piece.colours.length === 1) return piece.colours[0]?.hex ?? 'none'
  let at = 0
  const stops = piece.colours.flatMap((colour) => {
    const from = at
    at += colour.share * 100
    return [`${colour.hex} ${from.toFixed(1)}%`, `${colour.hex} ${at.toFixed(1)}%`]
  })
  return `linear-gradient(to bottom, ${stops.join(', ')})`
}

export const patternWords = (piece: Piece): string =>
  piece.pattern === 'solid' ? 'plain' : [piece.scale, piece.pattern].filter(Boolean).join(' ')

export const pieceWords = (piece: Piece): string => `${capital(piece.label)}, ${piece.sort.name}, ${piece.sort.bin}`
