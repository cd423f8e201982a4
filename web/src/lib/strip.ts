import type { Photo } from '@/api'

const RANK: Record<Photo['state'], number> = { failed: 0, read: 1, reading: 2, waiting: 3, 'not now': 4, hung: 5 }

/** The order of the film strip: what wants a look first, the doubtful before the sure, what hangs last. */
export const inOrder = (photos: Photo[]): Photo[] =>
  [...photos].sort((a, b) => RANK[a.state] - RANK[b.state] || b.doubt - a.doubt)

export function stateWords(photo: Photo): string {
  if (photo.state === 'read') return photo.doubt > 0.45 ? 'look at this' : 'read'
  if (photo.state === 'reading') return photo.stage || 'reading'
  if (photo.state === 'failed') return 'not read'
  return photo.state
}

/** Still to be gone through. */
export const isOpen = (photo: Photo): boolean => photo.state === 'read' || photo.state === 'failed'
