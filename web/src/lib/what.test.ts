import { describe, expect, it } from 'vitest'
import { chosenFinish, loudness, onScale, over, WARMTH } from './what'

describe('what a piece is', () => {
  it('lets the first word take the place of what was only seen', () => {
    expect(chosenFinish({ finish: ['satin'], unsaid: ['finish'] }, 'silk')).toEqual({ finish: ['silk'] })
  })
  it('adds a second finish to one that was said, and takes it back', () => {
    const both = chosenFinish({ finish: ['silk'], unsaid: [] }, 'satin')
    expect(both).toEqual({ finish: ['silk', 'satin'] })
    expect(chosenFinish({ finish: ['silk', 'satin'], unsaid: [] }, 'satin')).toEqual({ finish: ['silk'] })
  })
  it('says nothing any more when the last word is taken back', () => {
    expect(chosenFinish({ finish: ['silk'], unsaid: [] }, 'silk')).toEqual({ finish: null, unsaid: ['finish'] })
  })
  it('keeps the words of a cut beside each other, and forgets what is unsaid', () => {
    const both = over(over({ label: 'Coat' }, { cut: { toe: 'round' } }), { cut: { sole: 'heavy' } })
    expect(both).toEqual({ label: 'Coat', cut: { toe: 'round', sole: 'heavy' } })
    expect(over(both, { unsaid: ['toe'] })).toEqual({ label: 'Coat', cut: { toe: null, sole: 'heavy' } })
    expect(over({ length: 'midi' }, { unsaid: ['length'] })).toEqual({ length: null })
  })
  it('names a place on a scale by the nearest word, and stays on it', () => {
    expect(onScale(WARMTH, 3.4)).toBe('a cold day')
    expect(onScale(WARMTH, 9)).toBe('deep winter')
    expect([0.05, 0.4, 0.9].map(loudness)).toEqual(['quiet', 'speaks', 'loud'])
  })
})
