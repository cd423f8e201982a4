import type { PhotoPair } from '@/api'

/** What two photos side by side may be trusted for. */
export function pairWords(pair: PhotoPair): string {
  if (pair.light === 'cards') return 'Each photo is corrected by the card in it: both are in one light.'
  if (pair.light === 'apart')
    return 'What lies behind is not the same in both, so each is relit by itself: some of the difference may be the light.'
  const apart = pair.apart ?? 0
  if (apart < 1) return 'The ground behind says that both were taken in one light.'
  return `The ${pair.changed} photo is brought into the light of the other one: the ground behind was ${apart.toFixed(1)} apart and is ${(pair.remaining ?? 0).toFixed(1)} now (CIEDE2000).`
}
