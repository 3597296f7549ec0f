import { t } from '../words/t'
import { written } from './locale'
import { decimalsIn as shownDecimals, isConverted } from './shown'
import { timesOf, two } from './times'

const MINUS = '−'

const MOST_DECIMALS = 12

/** Digits up to which a number counts as one that was given, by a person or an instrument, and not computed. */
const GIVEN_DIGITS = 6
const GIVEN_DIGITS_SINGLE = 5

/** A converted number with more digits was not typed in its unit: 22.697 °C were not given as 72.8546 °F. */
const CONVERTED_DIGITS = 4

/** Decimals of a number in plain notation. */
function decimalsIn(value: number): number {
  const [mantissa = '', exponent = '0'] = value.toExponential().split('e')
  return Math.max(0, (mantissa.split('.')[1]?.length ?? 0) - Number(exponent))
}

/** Decimals of a number that was given with few digits, in double or single precision; null for one that was computed. */
function givenDecimals(value: number): number | null {
  for (let digits = 1; digits <= GIVEN_DIGITS; digits++) {
    const short = Number(value.toPrecision(digits))
    if (short === value || (digits <= GIVEN_DIGITS_SINGLE && Math.fround(short) === value)) return decimalsIn(short)
  }
  return null
}

/** So many decimals that three digits are seen. */
function usualDecimals(value: number): number {
  const magnitude = Math.abs(value)
  if (magnitude >= 100) return 0
  if (magnitude >= 10) return 1
  return magnitude >= 1 || magnitude === 0 ? 2 : Math.min(MOST_DECIMALS, 2 - Math.floor(Math.log10(magnitude)))
}

/** On which side of a boundary a value lies, as both are written: what agrees to twelve digits is the same. */
const side = (value: number, boundary: number) =>
  Math.sign(Number(value.toPrecision(12)) - Number(boundary.toPrecision(12)))

/** No digit that was typed is lost; one that was computed has four digits. */
function limitDecimals(value: number, chosen: number | undefined): number {
  const own = givenDecimals(value) ?? decimalsIn(Number(value.toPrecision(4)))
  return Math.min(MOST_DECIMALS, Math.max(chosen ?? usualDecimals(value), own))
}

/** Those of the boundaries where there are any, so that they can be compared; never fewer than were given. */
function ownDecimals(value: number, unit: string, boundaries: readonly number[]): number {
  const beside =
    boundaries.length === 0
      ? usualDecimals(value)
      : Math.max(...boundaries.map((boundary) => limitDecimals(boundary, undefined)))
  const isGiven = !isConverted(unit) || Number(value.toPrecision(CONVERTED_DIGITS)) === value
  return Math.min(MOST_DECIMALS, Math.max(beside, isGiven ? (givenDecimals(value) ?? 0) : 0))
}

/** How many decimals a number is shown with, see {@link number}. */
function decimalsOf(value: number, unit: string, beside: readonly (number | null)[]): number {
  const boundaries = beside.filter((boundary) => boundary !== null)
  let decimals = shownDecimals(unit) ?? ownDecimals(value, unit, boundaries)
  if (value !== 0 && Number(value.toFixed(decimals)) === 0) decimals = Math.max(decimals, usualDecimals(value))
  const sameSide = () =>
    boundaries.every((boundary) => side(Number(value.toFixed(decimals)), boundary) === side(value, boundary))
  while (decimals < MOST_DECIMALS && !sameSide()) decimals++
  return decimals
}

/** Of an answer: 1 is yes, 0 is no. */
const YES_OR_NO = 'yes/no'

const answer = (value: number) => t(value < 0.5 ? 'common:no' : 'common:yes')

/** What stands beside a number: nothing beside an answer, or a mere number. */
export function unitText(unit: string): string {
  return unit === YES_OR_NO || unit === '1' ? '' : unit
}

/**
 * A number with the decimals of the boundaries that it stands beside, without any so many that three digits are seen, or with
 * those that were chosen for its unit; a real minus sign. One that was given with up to six digits keeps them: an instrument
 * that says 13.605 means it. It gets as many more as it takes to lie on the same side of each boundary as the true value.
 */
export function number(value: number, unit: string, ...boundaries: (number | null)[]): string {
  return unit === YES_OR_NO ? answer(value) : written(value.toFixed(decimalsOf(value, unit, boundaries)))
}

/** A number of whatever size with three significant digits: what is small is not nothing. */
export function significant(value: number): string {
  return written(String(Number(value.toPrecision(3))))
}

/** A change, with the decimals of what changed: always with its sign, nothing for a change that rounds to nothing. */
export function change(value: number, of: number, unit: string, ...boundaries: (number | null)[]): string {
  if (unit === YES_OR_NO) return ''
  const text = written(value.toFixed(decimalsOf(of, unit, boundaries)))
  return /[1-9]/.test(text) ? (value > 0 ? `+${text}` : text) : text.replace(MINUS, '')
}

/** A boundary, alike wherever it stands. */
export function limit(value: number, unit: string): string {
  return written(value.toFixed(limitDecimals(value, shownDecimals(unit))))
}

export interface Boundaries {
  watch: number | null
  fail: number | null
  watchLow: number | null
  failLow: number | null
  /** Whether watch and fail are the lower ends. */
  isLower: boolean
  unit: string
}

/** Both boundaries, watch before fail, each from one end to the other where it has two; null where there is none. */
export function boundary({ watch, watchLow, fail, failLow, isLower, unit }: Boundaries): string | null {
  if (watch === null && watchLow === null && fail === null && failLow === null) return null
  if (unit === YES_OR_NO) return answer(isLower ? 1 : 0)
  const range = (low: number | null, high: number | null) =>
    [low, high].flatMap((end) => (end === null ? [] : [limit(end, unit)])).join('…') || '–'
  return `${isLower ? '≥ ' : ''}${range(watchLow, watch)} / ${range(failLow, fail)}`
}

/** A number as somebody typed it, decimal comma or point; null where it is none. */
export function typedNumber(text: string): number | null {
  const number = Number(text.trim().replace(',', '.').replace(MINUS, '-'))
  return text.trim() === '' || Number.isNaN(number) ? null : number
}

export function bytes(count: number): string {
  if (count >= 1e9) return `${written((count / 1e9).toFixed(1))} GB`
  return count >= 1e6 ? `${written((count / 1e6).toFixed(1))} MB` : `${Math.max(1, Math.round(count / 1e3))} kB`
}

export function minutes(count: number): string {
  const whole = Math.max(1, Math.round(count))
  return whole >= 60 ? `${Math.floor(whole / 60)} h ${whole % 60} min` : `${whole} min`
}

/** A time since something began: hours, minutes and seconds, with days before them where there are any. */
export function elapsed(seconds: number): string {
  const whole = Math.round(Math.abs(seconds))
  const clock = `${Math.floor((whole % 86_400) / 3600)}:${two(Math.floor((whole % 3600) / 60))}:${two(whole % 60)}`
  return `${seconds < 0 ? MINUS : ''}${whole >= 86_400 ? `${Math.floor(whole / 86_400)} d ` : ''}${clock}`
}

/** How far a clock is off, without its direction. */
export function span(seconds: number): string {
  const size = Math.abs(seconds)
  if (size < 120) return `${size} s`
  if (size < 7200) return `${Math.round(size / 60)} min`
  if (size < 172_800) return `${Math.round(size / 3600)} h`
  return `${Math.round(size / 86_400)} d`
}

/** A day that belongs to no site; what does is read by {@link useTimes}. */
export function day(at: string): string {
  return timesOf(null).day(at)
}

/** A moment that belongs to no site; what does is read by {@link useTimes}. */
export function dayAndTime(at: string): string {
  return timesOf(null).dayAndTime(at)
}
