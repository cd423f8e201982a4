import { describe, expect, it } from 'vitest'
import { categoryOf, percent, plural, signed, warmthWord } from './words'

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
    expect(percent(0.626)).toBe('63 %')
  })
})
