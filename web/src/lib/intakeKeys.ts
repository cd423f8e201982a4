import type { PatternType } from '@/api'

/** What the keys of the intake do. */
export const KEYS: [string, string][] = [
  ['Enter', 'hang it and go on'],
  ['W C B T P', 'warm, cool or balanced neutral, tone, print'],
  ['1–9', 'after P: which print'],
  ['S', 'it is plain'],
  ['1 2 3', 'what it likely is'],
  ['K', 'what else it is: type and choose'],
  ['4 5 6', 'what cloth it likely is'],
  ['F', 'other cloth: type and choose'],
  ['H', 'the hem: then the arrows'],
  ['J', 'the metal that shows'],
  ['L', 'relight: then tap something white or grey'],
  ['G', 'give this light to all that wait'],
  ['Y U', 'what is framed is paper; it is none'],
  ['Y', 'or: show what the room would change'],
  ['I', 'out of its room, or into the one before'],
  ['Z', 'a new room begins here'],
  ['R', 'hold the colour reader to it'],
  ['O', 'outline: draw over cloth'],
  ['E', 'outline: draw over what is not'],
  ['Q', 'outline: draw a box round it'],
  ['M', 'one more piece in this photo'],
  ['D N', 'the same: bin this one; no, another'],
  ['V', 'as shot, relit, cloth only'],
  ['X', 'not now'],
  ['↓ ↑', 'next, the one before'],
  ['A', 'add photos'],
  ['Ctrl+Z', 'undo'],
]

/** Prints in the order of their numbers, after P. */
export const PATTERNS: PatternType[] = [
  'stripe',
  'check',
  'dot',
  'floral',
  'animal',
  'geometric',
  'abstract',
  'colour-block',
  'graphic',
]
