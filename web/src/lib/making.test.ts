import { describe, expect, it } from 'vitest'
import type { Piece, Wall, WallLook } from '@/api'
import { baysOf, nameOf, spanWords, usesOf, walked } from './making'

const rail = ['Green skirt', 'Jeans', 'Wine knit'].map((label) => ({ id: label.toLowerCase(), label }) as Piece)
const look = (id: string, pieces: string[], occasion = '') => ({ id, pieces, occasion }) as WallLook
const wall = (wanted: object, looks: WallLook[], uses = {}) => ({ wanted, looks, uses }) as Wall

describe('a wall', () => {
  it('hangs looks by what they start from, and otherwise on one rail', () => {
    const looks = [look('a', ['jeans']), look('b', ['green skirt']), look('c', ['jeans', 'wine knit'])]
    const bays = baysOf(wall({ start: ['jeans', 'green skirt'], share: 'even', spread: false }, looks), rail)
    expect(bays.map((bay) => [bay.title, bay.looks.length])).toEqual([
      ['2 · Jeans', 2],
      ['1 · Green skirt', 1],
    ])
    expect(baysOf(wall({ start: [], share: 'one', spread: false }, looks), rail)).toEqual([{ title: '', looks }])
  })

  it('hangs one piece by its occasions', () => {
    const looks = [look('a', ['jeans'], 'every day'), look('b', ['jeans'], 'smart')]
    const bays = baysOf(wall({ start: ['jeans'], share: 'one', spread: true }, looks), rail)
    expect(bays.map((bay) => bay.title)).toEqual(['1 · every day', '1 · smart'])
  })

  it('counts what is used, the unused last', () => {
    const used = usesOf(wall({}, [], { jeans: 0, 'wine knit': 3 }), rail)
    expect(used.map((one) => [one.piece.id, one.count])).toEqual([
      ['wine knit', 3],
      ['jeans', 0],
    ])
  })

  it('is walked along and stops at its ends', () => {
    const looks = ['a', 'b', 'c'].map((id) => look(id, []))
    expect(walked(looks, null, 1)).toBe('a')
    expect(walked(looks, 'a', 1)).toBe('b')
    expect(walked(looks, 'b', 5)).toBe('c')
    expect(walked(looks, 'a', -1)).toBe('a')
    expect(walked([], 'a', 1)).toBe(null)
  })
})

describe('words of the question', () => {
  it('tells a span of occasions', () => {
    expect(spanWords([2, 2])).toBe('every day')
    expect(spanWords([2, 4])).toBe('every day to dressed')
  })

  it('names a wall by what it is made from', () => {
    expect(nameOf({ number: 9, start: ['jeans', 'green skirt'] }, rail)).toBe('9 looks from 2 pieces')
    expect(nameOf({ number: 1, start: ['jeans'] }, rail)).toBe('1 look with the jeans')
    expect(nameOf({ number: 8, start: ['jeans'], spread: true }, rail)).toBe('Jeans, many ways')
    expect(nameOf({ number: 24 }, rail)).toBe('24 looks')
  })
})
