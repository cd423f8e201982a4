import { describe, expect, it } from 'vitest'
import type { Piece } from '@/api'
import { bands, baysOf, WAYS } from './rail'

const piece = (id: string, bin: string, lightness: number, more: Record<string, unknown> = {}): Piece =>
  ({
    id,
    lightness,
    area: 10,
    worn_days: 0,
    zone: 'upper',
    category: 'knit',
    hue: 0,
    fit: null,
    seasons: [],
    kept: {},
    sort: { bin, name: bin, family: bin },
    colours: [{ hex: '#888888', share: 1 }],
    ...more,
  }) as unknown as Piece

const RAIL = [
  piece('a', 'tone', 60, { kept: { verdict: 'keep', uses: ['stage'] }, seasons: ['winter'] }),
  piece('b', 'warm neutral', 80, { fit: 0.9 }),
  piece('c', 'warm neutral', 20, { fit: 0.1 }),
]

describe('the rail', () => {
  it('hangs dark to light inside each bay and leaves empty bays out', () => {
    const bays = baysOf(RAIL, 'sort')
    expect(bays.map((bay) => bay.title)).toEqual(['Warm neutrals', 'Tones'])
    expect(bays[0]?.pieces.map((p) => p.id)).toEqual(['c', 'b'])
  })
  it('loses no piece and hangs none twice, however it is hung', () => {
    for (const { by } of WAYS)
      expect(
        baysOf(RAIL, by)
          .flatMap((bay) => bay.pieces.map((p) => p.id))
          .sort(),
      ).toEqual(['a', 'b', 'c'])
  })
  it('hangs by verdict, use and how well it suits', () => {
    expect(baysOf(RAIL, 'verdict').map((bay) => bay.title)).toEqual(['Keep', 'No verdict yet'])
    expect(baysOf(RAIL, 'use')[0]).toMatchObject({ title: 'Stage', moves: { use: 'stage' } })
    expect(baysOf(RAIL, 'suits').map((bay) => bay.title)).toEqual(['Suits best', 'Far from the face', 'Not known'])
  })
  it('never splits a set: its largest piece says where it hangs', () => {
    const suit = [
      piece('jacket', 'cool neutral', 30, { area: 25, kept: { set: 'grey suit' } }),
      piece('other', 'cool neutral', 40),
      piece('waistcoat', 'tone', 50, { area: 15, kept: { set: 'grey suit' } }),
    ]
    const bays = baysOf(suit, 'sort')
    expect(bays).toHaveLength(1)
    expect(bays[0]?.pieces.map((p) => p.id)).toEqual(['jacket', 'waistcoat', 'other'])
  })
  it('keeps the two faces of a reversible piece side by side', () => {
    const faces = [
      piece('dark', 'tone', 10, { kept: { other_face: 'light' } }),
      piece('between', 'tone', 50),
      piece('light', 'tone', 90, { kept: { other_face: 'dark' } }),
    ]
    expect(baysOf(faces, 'sort')[0]?.pieces.map((p) => p.id)).toEqual(['dark', 'light', 'between'])
  })
  it('bands a piece by its colours', () => {
    const striped = piece('s', 'print', 50, {
      colours: [
        { hex: '#111111', share: 0.75 },
        { hex: '#eeeeee', share: 0.25 },
      ],
    })
    expect(bands(striped)).toBe(
      'linear-gradient(to bottom, #111111 0.0%, #111111 75.0%, #eeeeee 75.0%, #eeeeee 100.0%)',
    )
  })
})
