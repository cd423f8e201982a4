import { describe, expect, it } from 'vitest'
import type { Candidate, Considered } from '@/api'
import { knownWithin, labOf, listed, saidBefore, standing, topOf } from './buying'

const candidate = (now: Partial<Candidate>) => ({ photo: null, piece: null, judged: null, ...now }) as Candidate

describe('before buying', () => {
  it('says how far a candidate has come', () => {
    const photo = { state: 'reading', reading: null, stage: 'finding the cloth' } as unknown as Candidate['photo']
    expect(standing(candidate({ photo }))).toBe('finding the cloth')
    expect(standing(candidate({}))).toBe('what is it?')
    const piece = {} as Candidate['piece']
    expect(standing(candidate({ piece }))).toBe('being judged')
    expect(standing(candidate({ piece, judged: { word: 'wait', opens: 2, pieces: 9, on: '2031-03-01' } }))).toBe('wait')
  })

  it('tells what was said before', () => {
    const before = { word: 'wait', opens: 4, pieces: 11, on: '2031-03-03' } as const
    const now = { word: 'buy', opens: 12 } as Considered
    expect(saidBefore(before, now)).toBe(
      "On 3 March, with 11 pieces on the rail, it was 'wait' and opened 4; now it is 'buy' and opens 12.",
    )
    expect(saidBefore(before, { ...now, word: 'wait' })).toMatch(/opened 4; now it opens 12\.$/)
  })

  it('turns lightness, chroma and hue into CIELAB', () => {
    expect(labOf(50, 20, 0)).toEqual([50, 20, 0])
    expect(labOf(50, 20, 90)).toEqual([50, 0, 20])
    expect(labOf(50, 0, 213)[1]).toBeCloseTo(0)
  })

  it('says how well a colour is known', () => {
    const piece = { colours: [{ uncertainty: 10.9 }] } as unknown as Candidate['piece']
    expect(knownWithin(candidate({ piece, source: 'photo' }))).toBe('Its colour is known within 11 CIEDE2000.')
    expect(knownWithin(candidate({ piece, source: 'gap' }))).toMatch(/: nobody has seen it yet\.$/)
    expect(knownWithin(candidate({ source: 'photo' }))).toBe('')
  })

  it('lists words', () => {
    expect(listed(['coat'])).toBe('coat')
    expect(listed(['top', 'shirt', 'knit'])).toBe('top, shirt or knit')
  })

  it('ends a tape above everything on it', () => {
    expect(topOf(3)).toBe(20)
    expect(topOf(96, 40)).toBe(110)
    expect(topOf(562)).toBe(700)
  })
})
