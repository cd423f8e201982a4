import { describe, expect, it } from 'vitest'
import type { Piece } from '@/api'
import { found, wordsOf } from './find'

const piece = (id: string, label: string, more: Partial<Piece> = {}): Piece =>
  ({
    id,
    label,
    category: 'coat',
    pattern: 'solid',
    scale: null,
    finish: [],
    metal: 'none',
    volume: 'easy',
    length: null,
    lightness: 20,
    doubtful: false,
    bin_said: null,
    suits: null,
    kept: {},
    seasons: [],
    looks: [],
    sort: { bin: 'cool neutral', name: 'navy', family: 'navy', undertone: 'cool', lean: 'blue' },
    ...more,
  }) as unknown as Piece

const RAIL = [
  piece('a', 'Wool coat'),
  piece('b', 'Striped shirt', { category: 'shirt', pattern: 'stripe', doubtful: true }),
  piece('c', 'Red skirt', {
    category: 'skirt',
    sort: { bin: 'tone', name: 'red', family: 'red', undertone: 'warm', lean: 'red' } as Piece['sort'],
    kept: { verdict: 'let go' } as Piece['kept'],
  }),
]
const known = new Map(RAIL.map((one) => [one.id, wordsOf(one)]))
const ids = (typed: string) => [...(found(RAIL, typed, known) ?? ['everything'])]

describe('finding by words', () => {
  it('finds what has every word, by how words begin', () => {
    expect(ids('navy')).toEqual(['a', 'b'])
    expect(ids('cool coa')).toEqual(['a'])
  })
  it('leaves out what has a word after not', () => {
    expect(ids('navy not stripe')).toEqual(['a'])
    expect(ids('-navy')).toEqual(['c'])
  })
  it('takes either side of or', () => expect(ids('red or shirt')).toEqual(['b', 'c']))
  it('knows verdicts and doubt', () => {
    expect(ids('let go')).toEqual(['c'])
    expect(ids('in doubt')).toEqual(['b'])
  })
  it('finds everything with nothing typed', () => expect(ids('  ')).toEqual(['everything']))
})
