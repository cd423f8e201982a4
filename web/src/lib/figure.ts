import type { Piece } from '@/api'
import type { Point } from './pinked'

/** Worn colours in true proportion, in units of the drawing: 620 wide, 690 high, the body about a centre line. */
export const WIDTH = 620
export const HEIGHT = 690
export const CENTRE = 316
const SHOULDER = 138
const WAIST = 298
const HIP = 344
const SOLE = 668

/** Who wears it: the height in centimetres sets head against body, and seated the lap comes forward. */
export interface Build {
  height: number | null
  seated: boolean
}
export const STANDING: Build = { height: null, seated: false }
const USUAL_HEIGHT = 168
/** Centimetres of a head; it hardly grows with the rest. */
const HEAD = 22
const KNEE = 486
const LAP = 414

/** How wide the figure and the face are drawn on a body of one length: narrower for the tall, wider for the short. */
export const breadth = (height: number | null): number =>
  (USUAL_HEIGHT / HEAD - 1) / ((height ?? USUAL_HEIGHT) / HEAD - 1)
/** Where a height of the standing figure lies when it sits. */
const sit = (y: number): number =>
  y <= HIP ? y : y <= KNEE ? HIP + ((y - HIP) * (LAP - HIP)) / (KNEE - HIP) : y - (KNEE - LAP)
const lap = (y: number): number =>
  y > HIP && y < KNEE + 60 ? 1 + 0.13 * Math.sin((Math.PI * (y - HIP)) / (KNEE + 60 - HIP)) : 1

export interface Shape {
  piece: Piece
  outlines: Point[][]
  /** Where stitches and threads are tied. */
  anchor: Point
  top: number
  bottom: number
  /** Share of the body's width that it covers, for the lightness trace. */
  cover: number
}

type Outline = Point[]
const at = (points: Outline): Outline => points.map(([x, y]) => [CENTRE + x, y])
const mirror = (points: Outline): Outline => points.map(([x, y]): Point => [-x, y]).reverse()
const both = (right: Outline): Outline[] => [at(right), at(mirror(right))]
const around = (right: Outline): Outline => at([...mirror(right), ...right])

const HEMS: Record<string, number> = {
  cropped: 262,
  waist: WAIST,
  hip: HIP,
  knee: 486,
  midi: 560,
  ankle: 624,
  floor: 650,
}
const hem = (piece: Piece, usual: number) => (piece.length ? (HEMS[piece.length] ?? usual) : usual)
const full = (piece: Piece) => (piece.volume === 'full' ? 1 : piece.volume === 'close' ? -0.6 : 0)

function sleeves(reach: number, thick: number, out: number): Outline[] {
  return both([
    [62, SHOULDER + 4],
    [72 + thick / 3, SHOULDER + 10],
    [92 + out + thick / 2, reach],
    [92 + out - thick, reach + 5],
    [60, SHOULDER + 58],
  ])
}

type Draw = (piece: Piece, worn: Piece[]) => Omit<Shape, 'piece'>

const upper: Draw = (piece, worn) => {
  const under = worn.some((p) => p.zone === 'layer')
  const over = worn.some((p) => p.zone === 'lower') && piece.worn !== 'loose'
  const end = piece.worn === 'tucked' ? WAIST + 4 : hem(piece, over ? WAIST + 8 : HIP + 12)
  const wide = (piece.worn === 'tucked' ? 58 : 62) + 8 * full(piece)
  const torso = around([
    [26, SHOULDER - 6],
    [66, SHOULDER + 4],
    [64, 200],
    [wide - 6, WAIST],
    [wide - (end > WAIST ? 2 : 6), end],
  ])
  const short = piece.category === 'top'
  const arms = under ? [] : sleeves(short ? 214 : 336, short ? 30 : 26, short ? -10 : 6)
  return {
    outlines: [...arms, torso],
    anchor: [CENTRE + 22, 218],
    top: SHOULDER - 6,
    bottom: end,
    cover: under ? 0.5 : 1,
  }
}

const lower: Draw = (piece) => {
  const spread = full(piece)
  if (piece.category === 'skirt') {
    const end = hem(piece, 540)
    return {
      outlines: [
        around([
          [56, WAIST],
          [64, HIP],
          [78 + 16 * spread, end],
        ]),
      ],
      anchor: [CENTRE + 20, 430],
      top: WAIST,
      bottom: end,
      cover: 1,
    }
  }
  const end = piece.category === 'shorts' ? 440 : hem(piece, 630)
  // both legs in one outline, or a seam would gape between them
  const half: Outline = [
    [57, WAIST],
    [63, HIP + 12],
    [50 + 22 * (spread + 0.4), end],
    [9, end],
    [3, HIP + 40],
  ]
  return { outlines: [around(half)], anchor: [CENTRE + 34, 470], top: WAIST, bottom: end, cover: 1 }
}

const whole: Draw = (piece) => {
  const end = hem(piece, 540)
  const trousers = piece.category === 'jumpsuit'
  const bodice: Outline = [
    [24, SHOULDER - 4],
    [60, SHOULDER + 4],
    [62, 200],
    [50, WAIST],
  ]
  const skirt: Outline = trousers
    ? [
        [64, HIP],
        [76, 630],
      ]
    : [
        [64, HIP],
        [90 + 12 * full(piece), end],
      ]
  return {
    outlines: [...sleeves(208, 28, -12), around([...bodice, ...skirt])],
    anchor: [CENTRE + 24, 400],
    top: SHOULDER - 4,
    bottom: trousers ? 630 : end,
    cover: 1,
  }
}

const layer: Draw = (piece) => {
  const usual =
    piece.category === 'coat' || piece.category === 'wrap'
      ? 540
      : piece.category === 'waistcoat'
        ? WAIST + 20
        : HIP + 22
  const end = hem(piece, usual)
  const long = end > 420
  const closed = piece.worn === 'closed'
  const inner = closed ? 0 : long ? 46 : 40
  const front: Outline = [
    [26, SHOULDER - 10],
    [74, SHOULDER],
    [76, 210],
    [74, WAIST],
    [long ? 96 : 78, end],
    [inner, end],
    [closed ? 0 : 34, 240],
  ]
  const arms = piece.category === 'waistcoat' ? [] : sleeves(352, 30, 14)
  const shut: Outline = front.slice(0, -2)
  // a closed layer is one cloth, or a seam would gape down its middle
  const body = closed ? [at([[0, 232], ...shut, [0, end], ...mirror([...shut])])] : both(front)
  return {
    outlines: [...arms, ...body],
    anchor: [CENTRE + 66, long ? 420 : 300],
    top: SHOULDER - 10,
    bottom: end,
    cover: closed ? 1 : 0.45,
  }
}

const feet: Draw = (piece) => {
  const top = piece.category === 'boots' ? 588 : 642
  const foot: Outline =
    piece.category === 'boots'
      ? [
          [12, top],
          [44, top],
          [46, 640],
          [60, 656],
          [60, SOLE],
          [10, SOLE],
        ]
      : [
          [14, top + 4],
          [34, top],
          [52, 652],
          [58, SOLE],
          [12, SOLE],
        ]
  return { outlines: both(foot), anchor: [CENTRE + 36, 656], top, bottom: SOLE, cover: 0.8 }
}

const legs: Draw = () => ({
  outlines: both([
    [14, 480],
    [42, 480],
    [34, 650],
    [18, 650],
  ]),
  anchor: [CENTRE + 28, 600],
  top: 480,
  bottom: 650,
  cover: 0.5,
})

const ribbon = (points: Outline, y: number, cover = 0.3): Omit<Shape, 'piece'> => {
  const ys = points.map((p) => p[1])
  return {
    outlines: [points],
    anchor: [points[1]?.[0] ?? CENTRE, y],
    top: Math.min(...ys),
    bottom: Math.max(...ys),
    cover,
  }
}
const arc = (radius: number, thick: number, drop: number): Outline => {
  const steps = Array.from({ length: 13 }, (_, i) => Math.PI * (i / 12))
  const outer = steps.map((t): Point => [Math.cos(t) * radius, SHOULDER - 14 + Math.sin(t) * drop])
  const inner = steps.map((t): Point => [Math.cos(t) * (radius - thick), SHOULDER - 14 + Math.sin(t) * (drop - thick)])
  return at([...outer, ...inner.reverse()])
}
const small = (x: number, y: number, w: number, h: number): Outline =>
  at([
    [x - w / 2, y - h / 2],
    [x + w / 2, y - h / 2],
    [x + w / 2, y + h / 2],
    [x - w / 2, y + h / 2],
  ])

const neck: Draw = (piece) => {
  if (piece.category === 'scarf') {
    const wrap = around([
      [34, SHOULDER - 24],
      [38, SHOULDER + 2],
    ])
    return {
      outlines: [
        at([
          [-8, SHOULDER],
          [18, SHOULDER],
          [24, 250],
          [-12, 254],
        ]),
        wrap,
      ],
      anchor: [CENTRE + 8, 190],
      top: SHOULDER - 24,
      bottom: 254,
      cover: 0.3,
    }
  }
  if (piece.category === 'tie')
    return ribbon(
      at([
        [-7, SHOULDER - 6],
        [7, SHOULDER - 6],
        [12, 270],
        [0, 286],
        [-12, 270],
      ]),
      210,
    )
  if (piece.category === 'necklace') return ribbon(arc(36, 7, 54), SHOULDER + 30, 0.1)
  return ribbon(small(-38, 186, 18, 16), 186, 0.1)
}

const head: Draw = (piece) => {
  if (piece.category === 'earrings')
    return {
      outlines: [small(-60, 86, 9, 17), small(60, 86, 9, 17)],
      anchor: [CENTRE + 60, 90],
      top: 78,
      bottom: 96,
      cover: 0.1,
    }
  if (piece.category === 'eyewear') return ribbon(small(0, 62, 70, 14), 62, 0.1)
  return ribbon(
    at([
      [-52, 22],
      [-44, 4],
      [0, -4],
      [46, 2],
      [56, 22],
    ]),
    12,
  )
}

const waist: Draw = () => ({
  outlines: [small(0, WAIST + 2, 118, 12)],
  anchor: [CENTRE - 40, WAIST + 2],
  top: WAIST - 4,
  bottom: WAIST + 8,
  cover: 1,
})

const hand: Draw = (piece) => {
  if (piece.category === 'bag') {
    const bag = at([
      [-176, 398],
      [-116, 398],
      [-110, 468],
      [-182, 468],
    ])
    const handle = at([
      [-168, 398],
      [-164, 366],
      [-128, 366],
      [-124, 398],
      [-131, 398],
      [-134, 374],
      [-158, 374],
      [-161, 398],
    ])
    return { outlines: [handle, bag], anchor: [CENTRE - 130, 440], top: 366, bottom: 468, cover: 0.3 }
  }
  const y = piece.category === 'gloves' ? 366 : 346
  return {
    outlines: [small(-104, y, 22, piece.category === 'gloves' ? 34 : 8)],
    anchor: [CENTRE - 104, y],
    top: y - 5,
    bottom: y + 5,
    cover: 0.05,
  }
}

const DRAWN: Record<Piece['zone'], Draw> = { upper, lower, whole, layer, feet, legs, neck, head, waist, hand }
const FROM_BELOW: Piece['zone'][] = [
  'legs',
  'feet',
  'lower',
  'whole',
  'upper',
  'waist',
  'layer',
  'neck',
  'head',
  'hand',
]
/** A knit lies on the shirt, a coat on the jacket. */
const OUTER: Partial<Record<Piece['category'], number>> = { knit: 1, tunic: 1, coat: 2, wrap: 3, jacket: 1 }

/** The shapes of a look, the lowest first. */
export function figureOf(worn: Piece[], build: Build = STANDING): Shape[] {
  const ordered = [...worn].sort(
    (a, b) =>
      FROM_BELOW.indexOf(a.zone) - FROM_BELOW.indexOf(b.zone) || (OUTER[a.category] ?? 0) - (OUTER[b.category] ?? 0),
  )
  return ordered.map((piece) => ({ piece, ...built(DRAWN[piece.zone](piece, worn), build, piece.zone === 'hand') }))
}

function built(shape: Omit<Shape, 'piece'>, build: Build, hangs: boolean): Omit<Shape, 'piece'> {
  const wide = breadth(build.height)
  const sits = build.seated && !hangs
  const place = ([x, y]: Point): Point => [CENTRE + (x - CENTRE) * wide * (sits ? lap(y) : 1), sits ? sit(y) : y]
  const outlines = shape.outlines.map((outline) => (sits ? finer(outline) : outline).map(place))
  return {
    ...shape,
    outlines,
    anchor: place(shape.anchor),
    top: sits ? sit(shape.top) : shape.top,
    bottom: sits ? sit(shape.bottom) : shape.bottom,
  }
}

/** The same outline with corners often enough to be bent. */
function finer(outline: Point[]): Point[] {
  return outline.flatMap((from, index): Point[] => {
    const to = outline[(index + 1) % outline.length] as Point
    const parts = Math.max(1, Math.round(Math.hypot(to[0] - from[0], to[1] - from[1]) / 24))
    return Array.from({ length: parts }, (_, k): Point => [
      from[0] + ((to[0] - from[0]) * k) / parts,
      from[1] + ((to[1] - from[1]) * k) / parts,
    ])
  })
}

export interface TraceStep {
  top: number
  bottom: number
  lightness: number
}

/** Lightness from head to foot: what covers each height, by how much of it is seen. */
export function traceOf(shapes: Shape[]): TraceStep[] {
  const body = shapes.filter((s) => ['upper', 'lower', 'whole', 'layer', 'feet', 'legs'].includes(s.piece.zone))
  const edges = [...new Set(body.flatMap((s) => [s.top, s.bottom]))].sort((a, b) => a - b)
  const steps: TraceStep[] = []
  edges.slice(0, -1).forEach((top, index) => {
    const bottom = edges[index + 1] as number
    const here = body.filter((s) => s.top <= top && s.bottom >= bottom)
    const seen = here.reduce((sum, s) => sum + s.cover, 0)
    if (!seen || bottom - top < 4) return
    steps.push({ top, bottom, lightness: here.reduce((sum, s) => sum + s.cover * meanLightness(s.piece), 0) / seen })
  })
  return steps
}

export const meanLightness = (piece: Piece): number =>
  piece.colours.reduce((sum, c) => sum + (c.lab[0] ?? 0) * c.share, 0) /
  (piece.colours.reduce((sum, c) => sum + c.share, 0) || 1)

/** Moves labels apart so that none covers another: wanted heights in, kept order. */
export function spread(wanted: number[], gap: number, low: number, high: number): number[] {
  const order = wanted.map((_, i) => i).sort((a, b) => (wanted[a] ?? 0) - (wanted[b] ?? 0))
  const placed = [...wanted]
  let last = low - gap
  for (const i of order) last = placed[i] = Math.max(wanted[i] ?? 0, last + gap)
  let next = high + gap
  for (const i of order.reverse()) next = placed[i] = Math.min(placed[i] ?? 0, next - gap)
  return placed
}
