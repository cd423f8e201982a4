import { describe, expect, it } from 'vitest'
import type { Photo } from '@/api'
import { inOrder, isOpen, stateWords } from './strip'

const photo = (id: string, state: Photo['state'], doubt = 0, stage = ''): Photo =>
  ({ id, state, doubt, stage }) as unknown as Photo

const ALL = [
  photo('hung', 'hung'),
  photo('sure', 'read', 0.1),
  photo('later', 'not now'),
  photo('unsure', 'read', 0.8),
  photo('waiting', 'waiting'),
  photo('broken', 'failed', 1),
  photo('busy', 'reading', 0, 'reading the light'),
]

describe('the film strip', () => {
  it('puts first what wants a look, the doubtful before the sure, and last what hangs', () => {
    expect(inOrder(ALL).map((p) => p.id)).toEqual(['broken', 'unsure', 'sure', 'busy', 'waiting', 'later', 'hung'])
  })
  it('leaves the list it was given alone', () => {
    const before = ALL.map((p) => p.id)
    inOrder(ALL)
    expect(ALL.map((p) => p.id)).toEqual(before)
  })
  it('says in words how far a photo is', () => {
    expect(ALL.map(stateWords)).toEqual([
      'hung',
      'read',
      'not now',
      'look at this',
      'waiting',
      'not read',
      'reading the light',
    ])
  })
  it('knows what is still to be gone through', () => {
    expect(ALL.filter(isOpen).map((p) => p.id)).toEqual(['sure', 'unsure', 'broken'])
  })
})
