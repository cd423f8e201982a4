import { describe, expect, it } from 'vitest'
import type { Piece } from '@/api'
import { placesOf } from './goes'

const piece = (id: string, zone: Piece['zone']): Piece => ({ id, zone }) as unknown as Piece
const RAIL = [
  piece('knit', 'upper'),
  piece('shirt', 'upper'),
  piece('top', 'upper'),
  piece('shoes', 'feet'),
  piece('pearls', 'neck'),
  piece('bag', 'hand'),
]
const CHANGE: Record<string, number> = { knit: -2, shirt: 5, top: 1, shoes: 0, pearls: 3, bag: 4 }

describe('what goes here', () => {
  it('shows what is worn first, then what helps most', () => {
    const places = placesOf(RAIL, ['knit'], (id) => CHANGE[id] ?? 0)
    expect(places[0]?.pieces.map((p) => p.id)).toEqual(['knit', 'shirt', 'top'])
  })
  it('leaves empty places out and loses no piece', () => {
    const places = placesOf(RAIL, [], (id) => CHANGE[id] ?? 0)
    expect(places.map((p) => p.title)).toEqual(['Top', 'Feet', 'Bag, belt, jewellery, scarf, hat'])
    expect(places.flatMap((p) => p.pieces)).toHaveLength(RAIL.length)
  })
})
