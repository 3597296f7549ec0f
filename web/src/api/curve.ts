import type { CurveView } from './types'

/** A curve with all its places told. */
export interface Curve extends Omit<CurveView, 'x' | 'y' | 'step'> {
  x: number[]
  y: number[]
}

/** Evenly spaced curves are sent without their places. */
export function expanded({ x, step, ...rest }: CurveView): Curve {
  return { ...rest, x: step === null ? x : rest.y.map((_, i) => i * step) }
}
