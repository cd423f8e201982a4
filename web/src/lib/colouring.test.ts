import { describe, expect, it } from 'vitest'
import { listed, sideWords, skinDepth, TAPES } from './colouring'

describe('colouring in words', () => {
  it('names the depth of skin at the published borders', () => {
    expect([60, 50, 30, 20, 0, -40].map(skinDepth)).toEqual([
      'very light',
      'light',
      'intermediate',
      'tan',
      'brown',
      'deep',
    ])
  })
  it('says the side with its chance, and when there is none', () => {
    expect(sideWords(0.93, 0.1)).toBe('warm, 93 % sure')
    expect(sideWords(0.1, 0.1)).toBe('cool, 90 % sure')
    expect(sideWords(0.9996, 0)).toBe('warm, more than 99 % sure')
    expect(sideWords(0.5, 0.8)).toBe('between warm and cool, 80 % sure')
  })
  it('has a word for both ends of every tape', () => {
    for (const tape of TAPES) expect([tape.told(tape.low), tape.told(tape.high)].every(Boolean)).toBe(true)
  })
  it('lists as a person does', () => {
    expect(listed(['depth'])).toBe('depth')
    expect(listed(['undertone', 'depth', 'clarity'])).toBe('undertone, depth and clarity')
  })
})
