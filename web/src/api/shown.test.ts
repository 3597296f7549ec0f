import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { limitOf, rule as ruleOf } from '../test/limits'
import { showUnits } from '../units/shown'
import {
  curve,
  handStop,
  limitLine,
  limitPreview,
  liveChannel,
  liveSample,
  read,
  result,
  run,
  sheet,
  trend,
  visit,
} from './shown'
import type {
  HandStop,
  LimitForm,
  LimitLine,
  LimitPreview,
  LiveSample,
  ResultLine,
  RuleDraft,
  RunView,
  Sheet,
  Trend,
} from './types'
import type { VisitSheet } from './types'

/** Celsius shows as Fahrenheit everywhere here: a shift that is wrong, or missing, is seen at once. */
beforeEach(() => showUnits([{ stored: '°C', unit: '°F', factor: 1.8, offset: 32, decimals: null }]))
afterEach(() => showUnits([]))

const line = {
  value: 10,
  watch: 20,
  fail: 30,
  watchLow: null,
  failLow: 0,
  change: 5,
  spark: [0, 10],
  unit: '°C',
  unitLabel: '°C mean',
}

const rule = (kind: RuleDraft['kind'], more: Partial<RuleDraft> = {}) => ruleOf(kind, { watch: 5, fail: 10, ...more })

const celsius = (...rules: RuleDraft[]): LimitForm => ({ ...limitOf('°C', ...rules), hysteresis: 1 })

describe('what the server answers', () => {
  it('is in the chosen unit on the sheet, a change being a difference', () => {
    expect(sheet({ checks: [line] } as unknown as Sheet).checks[0]).toMatchObject({
      value: 50,
      watch: 68,
      fail: 86,
      watchLow: null,
      failLow: 32,
      change: 9,
      spark: [32, 50],
      unit: '°F',
      unitLabel: '°F mean',
    })
  })

  it('is in the chosen unit in a trend, with its limits, its course and where it leads', () => {
    const shown = trend({
      unit: '°C',
      unitLabel: '°C',
      points: [{ value: 10 }],
      lines: [{ watch: 20, fail: 30, watchLow: null, failLow: null }],
      stretches: [{ least: 0, largest: 10, median: 5, readings: 7 }],
      course: { perDay: 1, path: [{ at: '', value: 10 }], reaching: { value: 30 } },
    } as unknown as Trend)
    expect(shown).toMatchObject({
      unit: '°F',
      points: [{ value: 50 }],
      lines: [{ watch: 68, fail: 86, watchLow: null }],
      stretches: [{ least: 32, largest: 50, median: 41, readings: 7 }],
      course: { perDay: 1.8, path: [{ value: 50 }], reaching: { value: 86 } },
    })
    expect(trend({ ...shown, unit: 'bar', course: null })).toMatchObject({ unit: 'bar', points: [{ value: 50 }] })
  })

  it('is in the chosen unit on the visit sheet, in the tray, at a stop and in the results', () => {
    const sheet = visit({
      rows: [{ ...line, others: [{ value: null }, { value: 0 }] }],
      tray: [{ value: 10, unit: '°C' }],
    } as unknown as VisitSheet)
    expect(sheet.rows[0]).toMatchObject({ value: 50, change: 9, others: [{ value: null }, { value: 32 }] })
    expect(sheet.tray[0]).toMatchObject({ value: 50, unit: '°F' })
    expect(handStop({ unit: '°C', watch: 20, fail: null, last: 10 } as HandStop)).toMatchObject({
      unit: '°F',
      watch: 68,
      fail: null,
      last: 50,
    })
    expect(result(line as unknown as ResultLine)).toMatchObject({ value: 50, fail: 86, unit: '°F' })
    expect(read({ value: null, unit: '°C' })).toEqual({ value: null, unit: '°F' })
  })

  it('is in the chosen unit along curves, runs and what is measured now', () => {
    expect(curve({ y: [0, 10], yUnit: '°C', peaks: [{ at: 10, value: 10 }] })).toEqual({
      y: [32, 50],
      yUnit: '°F',
      peaks: [{ at: 10, value: 50 }],
    })
    const channels = [{ name: 'a', unit: '°C', low: null, high: 10, values: [null, 10] }]
    expect(run({ channels } as unknown as RunView).channels[0]).toEqual({
      name: 'a',
      unit: '°F',
      low: null,
      high: 50,
      values: [null, 50],
    })
    const stored = [{ name: 'a', unit: '°C', low: null, high: 10 }]
    expect(stored.map(liveChannel)[0]).toEqual({ name: 'a', unit: '°F', low: null, high: 50 })
    expect(liveSample({ values: [10, 7] } as unknown as LiveSample, stored).values).toEqual([50, 7])
  })

  it('says of a limit what it said: boundaries are shifted, deviations and rates are not, shares stay', () => {
    const rules = [
      rule('ABOVE'),
      rule('TARGET', { target: 10 }),
      rule('BASELINE'),
      rule('BASELINE', { isShare: true }),
      rule('RATE'),
      rule('SISTERS'),
      rule('SCATTER'),
    ]
    const shown = limitLine({
      unit: '°C',
      limit: celsius(...rules),
      proposals: [{ limit: celsius(rule('BELOW')), evidence: '' }],
      revisions: [{ limit: celsius(rule('ABOVE')) }, { limit: null }],
    } as unknown as LimitLine)
    expect(shown.limit?.rules.map(({ watch, fail, target }) => [watch, fail, target])).toEqual([
      [41, 50, null],
      [9, 18, 50],
      [9, 18, null],
      [5, 10, null],
      [9, 18, null],
      [9, 18, null],
      [5, 10, null],
    ])
    expect(shown.limit).toMatchObject({ hysteresis: 1.8, unit: '°F' })
    expect(shown.proposals[0]?.limit.rules[0]).toMatchObject({ watch: 41, fail: 50 })
    expect(shown.revisions.map((one) => one.limit?.rules[0]?.fail)).toEqual([50, undefined])
    expect(shown.unit).toBe('°F')
    const preview = { shown: [{ limit: celsius(rule('ABOVE')) }, { limit: null }] } as unknown as LimitPreview
    expect(limitPreview(preview).shown.map((one) => one.limit?.rules[0]?.fail)).toEqual([50, undefined])
  })
})
