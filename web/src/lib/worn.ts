import type { Piece, Worn } from '@/api'

/** Some pieces of a rail, each as it is worn in a look: open or closed, tucked in or loose. */
export const asWorn = (rail: Piece[], ids: string[], how: Record<string, Worn>): Piece[] =>
  ids
    .flatMap((id) => rail.find((piece) => piece.id === id) ?? [])
    .map((piece) => ({ ...piece, worn: how[piece.id] ?? piece.worn }))
