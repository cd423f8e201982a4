import type { Bin, Kept, Word } from '@/api'
import { BINS } from '@/lib/words'
import { useKeys } from './useKeys'

export interface RailDeeds {
  say: (word: Word) => void
  keep: (kept: Kept) => void
  hangsRight: () => void
  nextInDoubt: () => void
  startLook: () => void
  makeLooks: () => void
  manyWays: () => void
  whatTheyAre: () => void
  makeSet: () => void
  joinFaces: () => void
  find: () => void
  zoom: (step: number) => void
  chooseAll: () => void
  putBack: () => void
  undo: () => void
  redo: () => void
}

export const RAIL_KEYS: [string, string][] = [
  ['← →', 'along the rail, with Shift to choose on the way'],
  ['Space', 'choose the piece'],
  ...BINS.map(({ key, bin }): [string, string] => [key.toUpperCase(), `hang with the ${bin}s`]),
  ['Y', 'it hangs right'],
  ['N', 'next in doubt'],
  ['K A M G', 'keep, alter, mend, let go'],
  ['F', 'fits now'],
  ['S', 'a set of what is chosen, or no longer'],
  ['R', 'two faces of one piece, or no longer'],
  ['L', 'start a look from what is chosen'],
  ['D', 'make looks from what is chosen'],
  ['O', 'one piece, many ways: looks with it for every occasion'],
  ['I', 'what they are: one word for all chosen, or one piece after the other'],
  ['/', 'find by words'],
  ['+ −', 'nearer, farther'],
  ['Ctrl A', 'choose all that is found'],
  ['Esc', 'put all back'],
  ['Ctrl Z', 'take back'],
  ['Ctrl Y', 'do again'],
  ['?', 'these keys'],
]

/** The keys of the rail: each one thing. */
export function useRailKeys(deeds: RailDeeds): void {
  const bins = Object.fromEntries(BINS.map(({ key, bin }) => [key, () => deeds.say({ bin: bin as Bin })]))
  useKeys(() => ({
    ...bins,
    y: deeds.hangsRight,
    n: deeds.nextInDoubt,
    l: deeds.startLook,
    d: deeds.makeLooks,
    o: deeds.manyWays,
    i: deeds.whatTheyAre,
    s: deeds.makeSet,
    r: deeds.joinFaces,
    '/': deeds.find,
    k: () => deeds.keep({ verdict: 'keep' }),
    a: () => deeds.keep({ verdict: 'alter' }),
    m: () => deeds.keep({ verdict: 'mend' }),
    g: () => deeds.keep({ verdict: 'let go' }),
    f: () => deeds.keep({ fits: true }),
    '+': () => deeds.zoom(1),
    '=': () => deeds.zoom(1),
    '-': () => deeds.zoom(-1),
    'ctrl+a': deeds.chooseAll,
    escape: deeds.putBack,
    'ctrl+z': deeds.undo,
    'ctrl+y': deeds.redo,
  }))
}
