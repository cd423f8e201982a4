import type { Mend } from '@/api'

/** What is held beside the look that is worked on. */
export type Beside = { kind: 'mend' } | { kind: 'look'; id: string } | { kind: 'client'; id: string }

/** The pieces after a change. */
export function mended(pieces: string[], mend: Mend): string[] {
  return mend.then ? changed(changed(pieces, mend), mend.then) : changed(pieces, mend)
}

function changed(pieces: string[], mend: Mend): string[] {
  if (mend.do === 'remove') return pieces.filter((one) => one !== mend.piece)
  if (mend.do === 'swap') return pieces.map((one) => (one === mend.piece && mend.with ? mend.with : one))
  return mend.piece ? [...pieces, mend.piece] : pieces
}
