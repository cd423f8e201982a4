import type { DayWeather, Felt, Piece, Plan, PlanEvent } from '@/api'

/** A day of the calendar as local noon, so that no zone turns it into another day. */
export const dayAt = (iso: string): Date => new Date(`${iso}T12:00:00`)

/** A day some days later, as the formats write it. */
export function later(iso: string, days: number): string {
  const at = new Date(`${iso}T12:00:00Z`)
  at.setUTCDate(at.getUTCDate() + days)
  return at.toISOString().slice(0, 10)
}

export const shortDay = (iso: string): string =>
  dayAt(iso).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric' })

export const longDay = (iso: string): string =>
  dayAt(iso).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })

/** From when to when, as short as it can be said. */
export function spanOfDays(first: string, days: number): string {
  const from = dayAt(first)
  const to = dayAt(later(first, days - 1))
  const month = (day: Date) => day.toLocaleDateString('en-GB', { month: 'long' })
  if (days === 1) return `${from.getDate()} ${month(from)}`
  return month(from) === month(to)
    ? `${from.getDate()} to ${to.getDate()} ${month(to)}`
    : `${from.getDate()} ${month(from)} to ${to.getDate()} ${month(to)}`
}

/** A place on the rail of days: an occasion, or a day on which nothing happens yet. */
export interface Hook {
  id: string
  on: string
  event: PlanEvent | null
}

/** The hooks of a plan in the order of time, one for each occasion and one for each empty day. */
export function hooksOf(plan: Pick<Plan, 'first' | 'days' | 'events'>): Hook[] {
  return Array.from({ length: plan.days }, (_, step) => later(plan.first, step)).flatMap((on): Hook[] => {
    const own = plan.events.filter((event) => event.on === on)
    return own.length ? own.map((event) => ({ id: event.id, on, event })) : [{ id: on, on, event: null }]
  })
}

export function skyWords(sky: Pick<DayWeather, 'low' | 'high' | 'rain' | 'wet'> | undefined): string {
  if (!sky) return 'no forecast'
  return `${Math.round(sky.low)} to ${Math.round(sky.high)} °C${sky.wet ? ', rain' : ''}`
}

/** What goes on from one look to the next: the bag, the shoes, the coat, in words. */
export function goesOn(one: Hook, next: Hook, byId: Map<string, Pick<Piece, 'label' | 'zone'>>): string {
  const shared = (one.event?.pieces ?? []).filter((id) => next.event?.pieces.includes(id))
  const named = shared.flatMap((id) => byId.get(id) ?? [])
  const told = named
    .filter((piece) => ['hand', 'feet', 'layer'].includes(piece.zone))
    .map((piece) => piece.label.toLowerCase())
  return told[0] ?? ''
}

export const FELT: { felt: Felt; word: string; key: string }[] = [
  { felt: 'loved', word: 'felt right', key: '1' },
  { felt: 'fine', word: 'was fine', key: '2' },
  { felt: 'off', word: 'felt off', key: '3' },
]

/** The months of a calendar that ends with one of them, the latest last. month: as 2031-05. */
export function monthsUntil(month: string, count: number): string[] {
  const [year = 0, number = 1] = month.split('-').map(Number)
  return Array.from({ length: count }, (_, step) => {
    const at = new Date(Date.UTC(year, number - 1 - (count - 1 - step), 1))
    return at.toISOString().slice(0, 7)
  })
}

/** The days of a month, each week from Monday; null before the first and after the last. */
export function weeksOf(month: string): (string | null)[][] {
  const first = `${month}-01`
  const days: (string | null)[] = Array.from({ length: (dayAt(first).getDay() + 6) % 7 }, () => null)
  for (let day = first; day.startsWith(month); day = later(day, 1)) days.push(day)
  while (days.length % 7) days.push(null)
  return Array.from({ length: days.length / 7 }, (_, week) => days.slice(7 * week, 7 * week + 7))
}
