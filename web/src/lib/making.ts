import type { Piece, Turn, Wall, WallBody, WallLook } from '@/api'
import { plural } from './words'

export const FORMALITY = ['beach and garden', 'every day', 'smart', 'dressed', 'black tie']
export const WARMTH = ['bare summer', 'mild', 'cool', 'cold', 'deep winter']

/** From 1 to 5, in the words of the nearest occasions. */
export function spanWords([low, high]: [number, number]): string {
  const word = (at: number) => FORMALITY[Math.min(4, Math.max(0, Math.round(at) - 1))] ?? ''
  return word(low) === word(high) ? word(low) : `${word(low)} to ${word(high)}`
}

export const TURNS: { to: Turn; word: string }[] = [
  { to: 'up', word: 'a notch up' },
  { to: 'down', word: 'a notch down' },
  { to: 'day', word: 'for the day' },
  { to: 'evening', word: 'for the evening' },
  { to: 'warmer', word: 'for a warmer day' },
  { to: 'colder', word: 'for a colder day' },
  { to: 'rain', word: 'for rain' },
]

/** What a wall is called as long as nobody names it. */
export function nameOf(
  body: Pick<WallBody, 'number' | 'start' | 'spread'>,
  rail: Pick<Piece, 'id' | 'label'>[],
): string {
  const start = (body.start ?? []).flatMap((id) => rail.find((piece) => piece.id === id)?.label ?? [])
  if (body.spread && start[0]) return `${start[0]}, many ways`
  if (start.length === 1) return `${plural(body.number, 'look')} with the ${start[0]?.toLowerCase()}`
  return start.length
    ? `${plural(body.number, 'look')} from ${plural(start.length, 'piece')}`
    : plural(body.number, 'look')
}

export interface Bay {
  title: string
  looks: WallLook[]
}

/** The looks of a wall on their rails: by what they start from, or by the occasion, or all on one. */
export function baysOf(wall: Wall, rail: Pick<Piece, 'id' | 'label'>[]): Bay[] {
  const called = (id: string | undefined) => rail.find((piece) => piece.id === id)?.label ?? 'a piece'
  const { start, share, spread } = wall.wanted
  const keyed = (look: WallLook) => {
    if (spread) return look.occasion
    if (start.length < 2 || share === 'all') return ''
    return start
      .filter((id) => look.pieces.includes(id))
      .map(called)
      .join(' and ')
  }
  const bays = new Map<string, WallLook[]>()
  for (const look of wall.looks) bays.set(keyed(look), [...(bays.get(keyed(look)) ?? []), look])
  return [...bays].map(([title, looks]) => ({ title: title ? `${looks.length} · ${title}` : '', looks }))
}

/** How the pieces of a rail are used on a wall, the most used first, the unused last. */
export function usesOf(wall: Wall, rail: Piece[]): { piece: Piece; count: number }[] {
  return rail
    .filter((piece) => piece.id in wall.uses)
    .map((piece) => ({ piece, count: wall.uses[piece.id] ?? 0 }))
    .sort((one, other) => other.count - one.count)
}

/** The look one step along the wall, or one row of looks up or down. */
export function walked(looks: WallLook[], now: string | null, step: number): string | null {
  const at = looks.findIndex((look) => look.id === now)
  if (at < 0) return looks[0]?.id ?? null
  return looks[Math.min(looks.length - 1, Math.max(0, at + step))]?.id ?? null
}
