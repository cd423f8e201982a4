import { describe, expect, it } from 'vitest'
import type { PhotoPair } from '@/api'
import { pairWords } from './pair'

const pair = (values: Partial<PhotoPair>) =>
  ({ light: 'ground', changed: 'left', apart: 4.2, remaining: 0.4, ...values }) as PhotoPair

describe('two photos', () => {
  it('say which one was changed, and by how much', () => {
    expect(pairWords(pair({}))).toContain(
      'The left photo is brought into the light of the other one: the ground behind was 4.2 apart and is 0.4 now',
    )
  })
  it('say when nothing had to be changed', () => {
    expect(pairWords(pair({ apart: 0.6 }))).toContain('taken in one light')
    expect(pairWords(pair({ light: 'cards', changed: null, apart: null }))).toContain('corrected by the card')
  })
  it('warn when the light may be what differs', () => {
    expect(pairWords(pair({ light: 'apart', changed: null, apart: null }))).toContain('may be the light')
  })
})
