import { describe, expect, it } from 'vitest'
import type { Photo, Room } from '@/api'
import { roomOf, stitches } from './stitches'

const photo = (id: string) => ({ id }) as Photo
const room = (photos: string[], lenders: string[] = []) => ({ photos, lenders, would_change: [] }) as unknown as Room
const strip = [...'abcdef'].map(photo)

describe('the threads of the film strip', () => {
  it('run from the first photo of a room to its last, past those of no room', () => {
    const threads = stitches(strip, [room(['b', 'd'], ['d']), room(['a'])])
    expect(threads.get('a')).toBeUndefined()
    expect(threads.get('b')).toEqual([{ lane: 0, up: false, down: true, knot: 'takes' }])
    expect(threads.get('c')).toEqual([{ lane: 0, up: true, down: true, knot: 'passed' }])
    expect(threads.get('d')).toEqual([{ lane: 0, up: true, down: false, knot: 'lends' }])
  })
  it('lie beside each other where rooms cross', () => {
    const threads = stitches(strip, [room(['a', 'e']), room(['b', 'c'])])
    expect(threads.get('b')?.map(({ lane, knot }) => [lane, knot])).toEqual([
      [0, 'passed'],
      [1, 'takes'],
    ])
  })
  it('leave out photos that are not there any more', () => {
    expect(stitches(strip, [room(['a', 'gone'])]).size).toBe(0)
  })
})

describe('the room of a photo', () => {
  it('is none where the photo lies alone', () => {
    expect(roomOf([room(['a']), room(['b', 'c'])], 'a')).toBeNull()
    expect(roomOf([room(['a']), room(['b', 'c'])], 'c')?.photos).toEqual(['b', 'c'])
  })
})
