import { describe, expect, it } from 'vitest'
import { bytes, categoryOf, dayOf, moment, ordinal, percent, plural, signed, warmthWord } from './words'

describe('sizes and moments', () => {
  it('says sizes by thousands', () => {
    expect([0, 999, 1000, 1_540_000, 27_000_000, 3_200_000_000].map(bytes)).toEqual([
      '0 bytes',
      '999 bytes',
      '1.0 kB',
      '1.5 MB',
      '27 MB',
      '3.2 GB',
    ])
  })
  it('says when by the day it is', () => {
    const now = new Date('2031-05-04T00:10:00')
    expect(moment('2031-05-04T00:05:00', now)).toBe('today at 00:05')
    expect(moment('2031-05-03T23:59:00', now)).toBe('yesterday at 23:59')
    expect(moment('2031-04-02T08:00:00', now)).toBe('on 2 April 2031 at 08:00')
  })
  it('takes the day from the calendar here, on either side of midnight', () => {
    expect(dayOf(new Date(2031, 4, 4, 0, 10))).toBe('2031-05-04')
    expect(dayOf(new Date(2031, 4, 4, 23, 50))).toBe('2031-05-04')
  })
})

describe('words', () => {
  it('signs numbers with a true minus and leaves zero alone', () => {
    expect(signed(6.4)).toBe('+6')
    expect(signed(-6.4, 1)).toBe('−6.4')
    expect(signed(-0.2)).toBe('0')
  })
  it('knows the kind of a piece from a file name, and when it does not', () => {
    expect(categoryOf('navy-Coat_2.jpg')).toBe('coat')
    expect(categoryOf('boots.heic')).toBe('boots')
    expect(categoryOf('IMG_1234.jpg')).toBeNull()
  })
  it('names sides of temperature', () => {
    expect(warmthWord(0.1)).toBe('balanced')
    expect(warmthWord(-0.3)).toBe('a little cool')
    expect(warmthWord(0.9)).toBe('warm')
  })
  it('counts', () => {
    expect(plural(1, 'piece')).toBe('1 piece')
    expect(plural(3, 'look')).toBe('3 looks')
    expect([1, 2, 3, 4, 11, 12, 13, 21, 112].map(ordinal)).toEqual([
      '1st',
      '2nd',
      '3rd',
      '4th',
      '11th',
      '12th',
      '13th',
      '21st',
      '112th',
    ])
    expect(percent(0.626)).toBe('63 %')
  })
})
