import { describe, expect, it } from 'vitest'
import type { LimitForm, RuleDraft } from '../api/types'
import { limitOf, rule } from '../test/limits'
import { limitWords } from './limitWords'

const said = (rules: RuleDraft[], more: Partial<LimitForm> = {}) => limitWords({ ...limitOf('bar', ...rules), ...more })

describe('a limit in words', () => {
  it('says boundaries as they stand beside readings', () => {
    expect(said([rule('ABOVE', { watch: 2.8, fail: 4.5 })])).toBe('2.80 / 4.50 bar')
    expect(said([rule('BELOW', { fail: 1 })])).toBe('≥ – / 1.00 bar')
    expect(said([rule('WITHIN', { watchLow: 5.8, watch: 6.4, failLow: 5.5, fail: 6.6 })])).toBe(
      '5.80…6.40 / 5.50…6.60 bar',
    )
    expect(said([rule('OUTSIDE', { failLow: 1150, fail: 1250 })], { unit: '1/min' })).toBe(
      'outside a band: – / 1150…1250 1/min',
    )
  })

  it('says deviations with their direction and what they are counted in', () => {
    expect(said([rule('TARGET', { target: 6, watch: 0.2, fail: 0.4, side: 'BOTH' })])).toBe(
      'target and tolerance: 6.00 ±0.2 / ±0.4 bar',
    )
    expect(said([rule('BASELINE', { watch: 25, side: 'UP', isShare: true })])).toBe('change from baseline: +25 / – %')
    expect(said([rule('SISTERS', { fail: 0.5, side: 'DOWN' })])).toBe('median of the sister assets: – / −0.5 bar')
    expect(said([rule('RATE', { fail: 0.2, side: 'UP' })])).toBe('change per day: – / +0.2 bar per day')
    expect(said([rule('SCATTER', { watch: 3, fail: 5, side: 'BOTH', isRobust: true })])).toBe(
      'beyond the scatter of the baseline: ±3 / ±5 × 1.4826 MAD from the median',
    )
  })

  it('of several rules says each, and what else is set', () => {
    expect(
      said([rule('ABOVE', { fail: 4.5 }), rule('BASELINE', { fail: 50, side: 'UP', isShare: true })], {
        hysteresis: 0.2,
        boundaryIsPast: true,
      }),
    ).toBe('– / 4.50 bar & change from baseline: – / +50 %; Hysteresis 0.2 bar; A value on a boundary is beyond it')
  })

  it('says the right answer to a question, and no unit of a mere number', () => {
    expect(said([rule('BELOW', { fail: 0.5 })], { unit: 'yes/no' })).toBe('yes')
    expect(said([rule('ABOVE', { fail: 4 })], { unit: '1' })).toBe('– / 4.00')
  })
})
