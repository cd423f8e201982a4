import type { Bin, Category, DayVerdict, Metal, Photo, Season } from '@/api'

/** A share as whole per cents. */
export const percent = (share: number): string => `${Math.round(share * 100)} %`

/** A number with its sign; a true minus. */
export function signed(value: number, digits = 0): string {
  const shown = Math.abs(value).toFixed(digits)
  if (Number(shown) === 0) return (0).toFixed(digits)
  return `${value > 0 ? '+' : '−'}${shown}`
}

/** A place in an order: 1st, 2nd, 13th. */
export function ordinal(place: number): string {
  const tens = place % 100
  const ending = tens > 10 && tens < 14 ? 'th' : (['th', 'st', 'nd', 'rd'][place % 10] ?? 'th')
  return `${place}${ending}`
}

export const plural = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`

const SIZES = ['bytes', 'kB', 'MB', 'GB', 'TB']

/** A size of files, by thousands as disks are sold, to two figures that count. */
export function bytes(count: number): string {
  const step = count < 1000 ? 0 : Math.min(Math.floor(Math.log10(count) / 3), SIZES.length - 1)
  const value = count / 1000 ** step
  return `${value < 10 && step > 0 ? value.toFixed(1) : Math.round(value)} ${SIZES[step]}`
}

/** When something was, as it is said today. */
export function moment(iso: string, now = new Date()): string {
  const at = new Date(iso)
  const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  const days = Math.round((new Date(now.toDateString()).getTime() - new Date(at.toDateString()).getTime()) / 86_400_000)
  if (days === 0) return `today at ${time}`
  if (days === 1) return `yesterday at ${time}`
  return `on ${at.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })} at ${time}`
}

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

export const BINS: { bin: Bin; key: string; plural: string }[] = [
  { bin: 'warm neutral', key: 'w', plural: 'Warm neutrals' },
  { bin: 'cool neutral', key: 'c', plural: 'Cool neutrals' },
  { bin: 'balanced neutral', key: 'b', plural: 'Balanced' },
  { bin: 'tone', key: 't', plural: 'Tones' },
  { bin: 'print', key: 'p', plural: 'Prints' },
]

export const VERDICTS: DayVerdict[] = ['keep', 'alter', 'mend', 'let go']
export const SEASONS: Season[] = ['spring', 'summer', 'autumn', 'winter']

export const METALS: Metal[] = ['none', 'gold', 'silver', 'rose', 'mixed']

export const CATEGORIES: Category[] = [
  'top',
  'shirt',
  'knit',
  'tunic',
  'jacket',
  'waistcoat',
  'coat',
  'wrap',
  'dress',
  'jumpsuit',
  'skirt',
  'trousers',
  'shorts',
  'hosiery',
  'shoes',
  'boots',
  'bag',
  'belt',
  'scarf',
  'hat',
  'headscarf',
  'gloves',
  'tie',
  'pocket-square',
  'necklace',
  'earrings',
  'bracelet',
  'ring',
  'brooch',
  'watch',
  'eyewear',
  'hair-piece',
  'cufflinks',
]

/** The kind of piece that a file name tells of, if it does. */
export function categoryOf(fileName: string): Category | null {
  const words = fileName.toLowerCase().split(/[^a-z]+/)
  return CATEGORIES.find((one) => words.includes(one) || words.includes(`${one}s`)) ?? null
}

/** Where a temperature lies, in words. */
export function warmthWord(temperature: number): string {
  const size = Math.abs(temperature)
  if (size < 0.2) return 'balanced'
  const side = temperature > 0 ? 'warm' : 'cool'
  return size < 0.5 ? `a little ${side}` : side
}

export function lightWords(photo: Photo): string {
  const light = photo.reading?.light
  if (!light) return ''
  const kelvin = light.cct ?? 6500
  const lamp =
    kelvin < 4200 ? 'warm light' : kelvin < 5600 ? 'slightly warm light' : kelvin < 7500 ? 'daylight' : 'cool shade'
  const from = {
    neutral: 'corrected from what you tapped',
    estimated: 'estimated from the scene',
    none: 'as it came',
    card: 'from the reference card',
    reader: 'from the colour reader',
    paper: 'from the paper in it',
    series: photo.lent_by ? 'from the room' : 'estimated with its room',
  }
  return `${lamp}, ${photo.series_from ? 'as in another photo of the series' : from[light.reference]}`
}

export function surfaceWords(photo: Photo): string {
  const finish = photo.reading?.finish
  if (!finish) return ''
  const sheen = finish.sheen > 0.5 ? 'shiny' : finish.sheen > 0.18 ? 'some sheen' : 'matte'
  const relief = finish.texture > 0.5 ? 'strong relief' : finish.texture > 0.22 ? 'some relief' : 'smooth'
  return `${sheen}, ${relief}`
}

/** Bands of lightness, each up to its L*; the audit counts the cloth of a rail by the same ones. */
export const LIGHTNESS = [
  { word: 'dark', below: 30 },
  { word: 'deep', below: 50 },
  { word: 'middle', below: 70 },
  { word: 'light', below: 88 },
  { word: 'palest', below: 101 },
]
export const lightnessWord = (lightness: number): string =>
  LIGHTNESS.find(({ below }) => lightness < below)?.word ?? 'palest'

/** The day on this machine's calendar, as the formats write it: in UTC it is another one for part of the night. */
export function dayOf(moment: Date): string {
  const two = (value: number) => String(value).padStart(2, '0')
  return `${moment.getFullYear()}-${two(moment.getMonth() + 1)}-${two(moment.getDate())}`
}
