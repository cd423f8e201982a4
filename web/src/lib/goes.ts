import type { Piece, Zone } from '@/api'

export interface Place {
  title: string
  pieces: Piece[]
}
const PLACES: [string, Zone[]][] = [
  ['Top', ['upper']],
  ['Lower half', ['lower', 'legs']],
  ['Whole', ['whole']],
  ['Layer', ['layer']],
  ['Feet', ['feet']],
  ['Bag, belt, jewellery, scarf, hat', ['hand', 'waist', 'neck', 'head']],
]

/** What could go where: the pieces of a rail by place on the figure, what helps most first, what is worn before all. */
export function placesOf(rail: Piece[], worn: string[], change: (id: string) => number): Place[] {
  return PLACES.map(([title, zones]) => ({
    title,
    pieces: rail
      .filter((piece) => zones.includes(piece.zone))
      .sort((a, b) => Number(worn.includes(b.id)) - Number(worn.includes(a.id)) || change(b.id) - change(a.id)),
  })).filter((place) => place.pieces.length)
}
