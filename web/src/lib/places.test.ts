import { describe, expect, it } from 'vitest'
import { nextThatWay, spotOf } from './places'

describe('the map of colours', () => {
  it('lays hue and chroma out from above, and lightness from the side', () => {
    expect(spotOf([40, 20, -30], 'from above', 0)).toEqual({ x: 20, y: 30 })
    expect(spotOf([40, 20, -30], 'from the side', 0)).toEqual({ x: 20, y: 60 })
    const turned = spotOf([40, 20, -30], 'from the side', 90)
    expect(turned.x).toBeCloseTo(-30)
    expect(turned.y).toBe(60)
  })

  it('reaches every place by the arrows', () => {
    const spots = [
      { id: 'a', x: 0, y: 0 },
      { id: 'b', x: 10, y: 1 },
      { id: 'c', x: 9, y: 40 },
      { id: 'd', x: -5, y: -3 },
    ]
    expect(nextThatWay(spots, null, 'arrowright')).toBe('a')
    expect(nextThatWay(spots, 'a', 'arrowright')).toBe('b')
    expect(nextThatWay(spots, 'a', 'arrowdown')).toBe('b')
    expect(nextThatWay(spots, 'b', 'arrowdown')).toBe('c')
    expect(nextThatWay(spots, 'a', 'arrowleft')).toBe('d')
    expect(nextThatWay(spots, 'd', 'arrowleft')).toBe(null)
    expect(nextThatWay(spots, 'a', 'enter')).toBe(null)
  })
})
