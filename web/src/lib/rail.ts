import type { Category, Piece, Zone } from '@/api'
import { BINS, capital, CATEGORIES } from './words'

export type HangBy = 'sort' | 'category' | 'lightness'
export interface Bay { title: string; pieces: Piece[] }

const ZONES: [string, Zone[]][] = [
  ['Layers', ['layer']],
  ['Tops', ['upper']],
  ['Lower half', ['lower', 'legs']],
  ['Whole', ['whole']],
  ['Feet', ['feet']],
  ['Bags and belts', ['hand', 'waist']],
  ['Head and neck', ['head', 'neck']],
]
const LIGHT: [string, number, number][] = [['Dark', 0, 30], ['Deep', 30, 50], ['Middle', 50, 70], ['Light', 70, 88], ['Palest', 88, 101]]

/** The bays of a rail, empty ones left out, dark to light inside each. */
export function baysOf(pieces: Piece[], by: HangBy): Bay[] {
  const bays: Bay[] =
    by === 'sort' ? BINS.map(({ bin, plural }) => ({ title: plural, pieces: pieces.filter((p) => p.sort.bin === bin) }))
    : by === 'category' ? ZONES.map(([title, zones]) => ({ title, pieces: pieces.filter((p) => zones.includes(p.zone)) }))
    : LIGHT.map(([title, low, high]) => ({ title, pieces: pieces.filter((p) => p.lightness >= low && p.lightness < high) }))
  const kind = (piece: Piece) => (by === 'category' ? CATEGORIES.indexOf(piece.category) : 0)
  return bays
    .filter((bay) => bay.pieces.length)
    .map((bay) => ({ ...bay, pieces: [...bay.pieces].sort((a, b) => kind(a) - kind(b) || a.lightness - b.lightness) }))
}

const HANGS: Partial<Record<Category, number>> = {
  coat: 150, dress: 158, jumpsuit: 158, trousers: 132, skirt: 104, jacket: 96, tunic: 110, wrap: 120, knit: 84, shirt: 88, top: 76,
  waistcoat: 72, shorts: 66, scarf: 92, boots: 60, shoes: 40, bag: 54, hat: 42, belt: 64, tie: 84,
}
/** How long a piece hangs, in pixels. */
export const hangLength = (piece: Piece): number => (HANGS[piece.category] ?? 34) * 1.15

export interface Stretch { name: string; hex: string; share: number }

/** What a rail is made of: share of cloth by the name of its colour, largest first. */
export function madeOf(pieces: Piece[]): Stretch[] {
  const found = new Map<string, Stretch & { most: number }>()
  let total = 0
  for (const piece of pieces) {
    for (const colour of piece.colours) {
      const area = piece.area * colour.share
      total += area
      const name = piece.sort.name
      const kept = found.get(name)
      if (!kept) found.set(name, { name, hex: colour.hex, share: area, most: area })
      else {
        kept.share += area
        if (area > kept.most) Object.assign(kept, { hex: colour.hex, most: area })
      }
    }
  }
  return [...found.values()].map((s) => ({ name: s.name, hex: s.hex, share: s.share / (total || 1) })).sort((a, b) => b.share - a.share)
}

export const patternWords = (piece: Piece): string =>
  piece.pattern === 'solid' ? 'plain' : [piece.scale, piece.pattern].filter(Boolean).join(' ')

export const pieceWords = (piece: Piece): string => `${capital(piece.label)}, ${piece.sort.name}, ${piece.sort.bin}`
