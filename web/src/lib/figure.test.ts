import { describe, expect, it } from 'vitest'
import type { Piece } from '@/api'
import { figureOf, HEIGHT, spread, traceOf } from './figure'

const piece = (id: string, category: Piece['category'], zone: Piece['zone'], lightness: number): Piece =>
  ({
    id,
    category,
    zone,
    colours: [{ lab: [lightness, 0, 0], share: 1 }],
    length: null,
    volume: 'easy',
    worn: null,
  }) as unknown as Piece

const LOOK = [
  piece('shoes', 'shoes', 'feet', 20),
  piece('coat', 'coat', 'layer', 60),
  piece('knit', 'knit', 'upper', 80),
  piece('trousers', 'trousers', 'lower', 40),
]

describe('the figure', () => {
  it('draws what lies under first', () => {
    expect(figureOf(LOOK).map((shape) => shape.piece.id)).toEqual(['shoes', 'trousers', 'knit', 'coat'])
  })
  it('has a shape inside the drawing for every piece', () => {
    for (const shape of figureOf(LOOK)) {
      expect(shape.outlines.length).toBeGreaterThan(0)
      for (const [, y] of shape.outlines.flat()) expect(y).toBeLessThan(HEIGHT)
      expect(shape.bottom).toBeGreaterThan(shape.top)
    }
  })
  it('traces lightness from head to foot without a gap where cloth is', () => {
    const trace = traceOf(figureOf(LOOK))
    expect(trace.at(-1)?.lightness).toBeCloseTo(20)
    for (const step of trace) expect(step.lightness).toBeGreaterThanOrEqual(20)
    trace.slice(1).forEach((step, i) => expect(step.top).toBeGreaterThanOrEqual(trace[i]!.bottom))
  })
})

describe('labels', () => {
  it('are moved apart and stay inside, in their order', () => {
    const placed = spread([100, 102, 104, 600], 40, 20, 610)
    for (let i = 1; i < placed.length; i++) expect(placed[i]! - placed[i - 1]!).toBeGreaterThanOrEqual(40)
    expect(Math.max(...placed)).toBeLessThanOrEqual(610)
  })
})

describe('who wears it', () => {
  const widest = (height: number | null) =>
    Math.max(...figureOf(LOOK, { height, seated: false }).flatMap((shape) => shape.outlines.flat().map(([x]) => x)))
  it('is narrower for the tall and wider for the short', () => {
    expect(widest(188)).toBeLessThan(widest(168))
    expect(widest(152)).toBeGreaterThan(widest(168))
    expect(widest(168)).toBeCloseTo(widest(null))
  })
  it('is lower when seated, and keeps what is above the hip', () => {
    const [standing, sitting] = [figureOf(LOOK), figureOf(LOOK, { height: null, seated: true })]
    const of = (shapes: typeof standing, id: string) => shapes.find((shape) => shape.piece.id === id)!
    expect(of(sitting, 'shoes').bottom).toBeLessThan(of(standing, 'shoes').bottom)
    expect(of(sitting, 'knit').bottom).toBe(of(standing, 'knit').bottom)
  })
  it('wears a top over the waistband or in it, and a layer open or shut', () => {
    const worn = (id: string, how: string) =>
      figureOf(LOOK.map((one) => (one.id === id ? { ...one, worn: how } : one)) as Piece[]).find(
        (shape) => shape.piece.id === id,
      )!
    expect(worn('knit', 'loose').bottom).toBeGreaterThan(worn('knit', 'tucked').bottom)
    expect(worn('coat', 'closed').cover).toBeGreaterThan(worn('coat', 'open').cover)
  })
})
