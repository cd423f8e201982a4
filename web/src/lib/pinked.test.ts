import { describe, expect, it } from 'vitest'
import { pinkedOutline, pinkedPath } from './pinked'

describe('the pinked edge', () => {
  it('stays inside a clockwise outline', () => {
    const points = pinkedOutline([
      [0, 0],
      [100, 0],
      [100, 60],
      [0, 60],
    ])
      .split(' ')
      .map((p) => p.split(',').map(Number))
    expect(points.length).toBeGreaterThan(40)
    for (const [x, y] of points) {
      expect(x).toBeGreaterThanOrEqual(0)
      expect(x).toBeLessThanOrEqual(100)
      expect(y).toBeGreaterThanOrEqual(0)
      expect(y).toBeLessThanOrEqual(60)
    }
  })
  it('leaves a side straight when asked', () => {
    const path = pinkedPath(4, 4, 3, { top: false, side: false, bottom: true })
    expect(path.match(/3px/g)).toHaveLength(4)
  })
})
