import { describe, expect, it } from 'vitest'
import { spread } from './spread'

describe('labels', () => {
  it('are moved apart and stay inside, in their order', () => {
    const placed = spread([100, 102, 104, 600], 40, 20, 610)
    for (let i = 1; i < placed.length; i++) expect(placed[i]! - placed[i - 1]!).toBeGreaterThanOrEqual(40)
    expect(Math.max(...placed)).toBeLessThanOrEqual(610)
  })
})
