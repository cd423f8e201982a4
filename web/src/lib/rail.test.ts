import { describe, expect, it } from 'vitest'
import type { Piece } from '@/api'
import { baysOf, madeOf } from './rail'

const piece = (id: string, bin: string, lightness: number, area = 10): Piece =>
  ({ id, lightness, area, zone: 'upper', category: 'knit', sort: { bin, name: bin }, colours: [{ hex: '#888888', share: 1 }] }) as unknown as Piece

const RAIL = [piece('a', 'tone', 60), piece('b', 'warm neutral', 80), piece('c', 'warm neutral', 20, 30)]

describe('the rail', () => {
  it('hangs dark to light inside each bay and leaves empty bays out', () => {
    const bays = baysOf(RAIL, 'sort')
    expect(bays.map((bay) => bay.title)).toEqual(['Warm neutrals', 'Tones'])
    expect(bays[0]?.pieces.map((p) => p.id)).toEqual(['c', 'b'])
  })
  it('loses no piece however it is hung', () => {
    for (const by of ['sort', 'category', 'lightness'] as const)
      expect(baysOf(RAIL, by).flatMap((bay) => bay.pieces)).toHaveLength(RAIL.length)
  })
  it('says what it is made of, by area', () => {
    const made = madeOf(RAIL)
    expect(made[0]).toMatchObject({ name: 'warm neutral', share: 0.8 })
    expect(made.reduce((sum, one) => sum + one.share, 0)).toBeCloseTo(1)
  })
})
