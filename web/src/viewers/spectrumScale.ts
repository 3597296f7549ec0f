import type { Curve } from '../api/curve'
import { nearestTo } from './curve'

/** What the axis of a spectrum is counted in. */
export type Abscissa = 'Hz' | 'CPM' | 'orders'
/** How amplitudes are shown: of a sine, the peak is the RMS times root 2. */
export type Amplitude = 'RMS' | 'peak'
export type Ordinate = 'linear' | 'dB'
export type CursorKind = 'single' | 'difference' | 'harmonics' | 'sides'

export interface Manner {
  abscissa: Abscissa
  amplitude: Amplitude
  ordinate: Ordinate
}

/** How many of the axis' steps one hertz is. */
export function stepsPerHz(abscissa: Abscissa, shaftHz: number | null): number {
  if (abscissa === 'CPM') return 60
  return abscissa === 'orders' && shaftHz !== null ? 1 / shaftHz : 1
}

/** Decibels lie below the largest value of the spectrum, down to here. */
const FLOOR_DB = -80

/**
 * Amplitudes as they are shown.
 * @param reference the curve whose largest value decibels count from
 */
export function shownValues(curve: Curve, { amplitude, ordinate }: Manner, reference: Curve = curve): number[] {
  const factor = amplitude === 'peak' ? Math.SQRT2 : 1
  const values = curve.y.map((value) => value * factor)
  if (ordinate === 'linear') return values
  const largest = largestOf(reference.y) * factor
  return values.map((value) => decibels(value, largest))
}

/** Of however many: a call with a hundred thousand arguments fails. */
export const largestOf = (values: number[]) => values.reduce((largest, value) => Math.max(largest, value), -Infinity)

export function decibels(value: number, largest: number): number {
  return value <= 0 || largest <= 0 ? FLOOR_DB : Math.max(FLOOR_DB, 20 * Math.log10(value / largest))
}

const HARMONICS = 8
const SIDES = 4

export interface CursorLine {
  name: string
  hz: number
}

/** The lines of a cursor: itself, another one, its multiples, or side bands at the distance of the other. */
export function cursorLines(
  kind: CursorKind,
  first: number | null,
  second: number | null,
  endHz: number,
): CursorLine[] {
  if (first === null) return []
  const within = (line: CursorLine) => line.hz >= 0 && line.hz <= endHz
  if (kind === 'harmonics')
    return Array.from({ length: HARMONICS }, (_, i) => ({ name: `${i + 1}×`, hz: (i + 1) * first })).filter(within)
  const own = { name: 'A', hz: first }
  if (second === null || kind === 'single') return [own]
  if (kind === 'difference') return [own, { name: 'B', hz: second }]
  const apart = Math.abs(second - first)
  return Array.from({ length: 2 * SIDES + 1 }, (_, i) => i - SIDES)
    .map((n) => ({ name: n === 0 ? 'A' : n > 0 ? `+${n}` : `−${-n}`, hz: first + n * apart }))
    .filter(within)
}

/** The height of a peak at a place, as it is shown: that of the higher of the lines it lies between. */
export function valueAt(curve: Curve, values: number[], hz: number): number {
  const nearest = nearestTo(curve.x, hz)
  const own = values[nearest] ?? 0
  const beside = nearest + ((curve.x[nearest] ?? 0) < hz ? 1 : -1)
  return (curve.x[nearest] ?? 0) === hz ? own : Math.max(own, values[beside] ?? own)
}

/**
 * The place of the peak near to where somebody points: whoever points at a peak means its top. A tone lies between two
 * lines as a rule; where, a
 * parabola through the logarithms of the highest line and its neighbours says, to a fiftieth of the resolution for a Hann window.
 */
export function topNear(curve: Curve, hz: number, reachHz: number): number {
  let best = -1
  curve.x.forEach((x, i) => {
    if (Math.abs(x - hz) <= reachHz && (best < 0 || (curve.y[i] ?? 0) > (curve.y[best] ?? 0))) best = i
  })
  if (best < 0) return hz
  const at = curve.x[best] ?? hz
  const [left, top, right] = [curve.y[best - 1] ?? 0, curve.y[best] ?? 0, curve.y[best + 1] ?? 0]
  const step = (curve.x[best + 1] ?? at) - at
  const isEven = Math.abs(at - (curve.x[best - 1] ?? at) - step) < step * 1e-6
  if (!isEven || left <= 0 || right <= 0 || top < left || top < right) return at
  const [a, b, c] = [Math.log(left), Math.log(top), Math.log(right)]
  const bend = a - 2 * b + c
  return bend === 0 ? at : at + (step * (a - c)) / (2 * bend)
}
