import { describe, expect, it } from 'vitest'
import type { Judged } from '@/api'
import { differing, moved } from './differ'

const verdict = (
  overall: number,
  because: { code: string; text: string; points: number; pieces: string[] }[],
): Judged =>
  ({
    overall,
    measures: {
      harmony: { score: overall, start: 60, because },
      contrast: null,
      monochrome: null,
      statement: null,
      colouring: null,
    },
  }) as unknown as Judged

describe('two verdicts', () => {
  const before = verdict(70, [
    { code: 'one-metal', text: 'one metal repeated', points: 4, pieces: ['a'] },
    { code: 'echo', text: 'returns', points: 6, pieces: ['b'] },
  ])
  const after = verdict(67, [
    { code: 'echo', text: 'returns', points: 6.2, pieces: ['b'] },
    { code: 'stray', text: 'answers nothing', points: -3, pieces: ['c'] },
  ])
  it('differ by what came and what went, the largest first', () => {
    const harmony = differing(before, after)[0]!
    expect(harmony.reasons.map((one) => [one.text, one.by])).toEqual([
      ['no longer: one metal repeated', -4],
      ['answers nothing', -3],
    ])
  })
  it('say how far the whole moved', () => {
    expect(moved(before, after)).toBe('the whole −3.0')
    expect(moved(before, before)).toBe('the whole stays where it was')
  })
})
