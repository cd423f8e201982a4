import { describe, expect, it } from 'vitest'
import type { PlanEvent } from '@/api'
import { goesOn, hooksOf, later, monthsUntil, skyWords, spanOfDays, weeksOf } from './plan'

const event = (id: string, on: string, pieces: string[] = []) => ({ id, on, pieces }) as PlanEvent

describe('days', () => {
  it('go on over the end of a month and of summer time', () => {
    expect(later('2031-02-28', 1)).toBe('2031-03-01')
    expect(later('2031-10-25', 2)).toBe('2031-10-27')
  })
  it('are told from when to when', () => {
    expect(spanOfDays('2031-11-03', 9)).toBe('3 to 11 November')
    expect(spanOfDays('2031-11-28', 5)).toBe('28 November to 2 December')
    expect(spanOfDays('2031-11-28', 1)).toBe('28 November')
  })
  it('fill a month in weeks from Monday', () => {
    const weeks = weeksOf('2031-05')
    expect(weeks[0]).toEqual([null, null, null, '2031-05-01', '2031-05-02', '2031-05-03', '2031-05-04'])
    expect(weeks.flat().filter(Boolean)).toHaveLength(31)
    expect(weeks.every((week) => week.length === 7)).toBe(true)
  })
  it('lie in months, the latest last', () => {
    expect(monthsUntil('2031-02', 3)).toEqual(['2030-12', '2031-01', '2031-02'])
  })
})

describe('hooks', () => {
  const plan = {
    first: '2031-05-01',
    days: 3,
    events: [event('a', '2031-05-01'), event('b', '2031-05-01'), event('c', '2031-05-03')],
  }
  it('are one for each occasion and one for a day without any', () => {
    expect(hooksOf(plan).map((hook) => hook.id)).toEqual(['a', 'b', '2031-05-02', 'c'])
  })
  it('say what goes on to the next', () => {
    const byId = new Map([
      ['bag', { label: 'Cognac bag', zone: 'hand' as const }],
      ['knit', { label: 'Oat knit', zone: 'upper' as const }],
    ])
    const [one, next] = [event('a', '', ['bag', 'knit']), event('b', '', ['knit', 'bag'])].map((e) => ({
      id: e.id,
      on: '',
      event: e,
    }))
    expect(goesOn(one!, next!, byId)).toBe('cognac bag')
  })
})

it('tells the sky in words', () => {
  expect(skyWords(undefined)).toBe('no forecast')
  expect(skyWords({ low: 1.4, high: 9.6, rain: 3, wet: true })).toBe('1 to 10 °C, rain')
})
