import { readFileSync } from 'node:fs'
import { afterEach, describe, expect, it } from 'vitest'
import { showUnits } from './shown'
import { boundary, change, limit, number, significant, span, unitText } from './format'
import { age } from './times'

/** The server is held to the same list. */
const listed = readFileSync('../core/src/test/resources/shown-numbers.csv', 'utf8')
  .trim()
  .split('\n')
  .slice(1)
  .map((line) => line.split(','))

afterEach(() => showUnits([]))

describe('numbers', () => {
  it.each(listed)('are shown as listed: %s %s, decimals %s, beside %s', (kind, value, decimals, beside, shown) => {
    if (decimals) showUnits([{ stored: 'x', unit: 'x', factor: 1, offset: 0, decimals: Number(decimals) }])
    const boundaries = beside ? beside.split(' ').map(Number) : []
    const text = kind === 'limit' ? limit(Number(value), 'x') : number(Number(value), 'x', null, ...boundaries)
    expect(text).toBe(shown?.replace('-', '−'))
  })

  it('show a change with its sign, and none for nothing', () => {
    expect([0.5, -0.5, 0.001, -0.001].map((value) => change(value, 1.8412345, ''))).toEqual([
      '+0.50',
      '−0.50',
      '0.00',
      '0.00',
    ])
    expect(change(13.605 - 13.6, 13.605, '')).toBe('+0.005')
    expect(change(-0.00034, 0.0012345678, '')).toBe('−0.00034')
  })
})

describe('boundaries', () => {
  const none = { watch: null, fail: null, watchLow: null, failLow: null, isLower: false, unit: 'bar' }

  it('show watch and fail, from one end to the other where there are two', () => {
    expect(boundary(none)).toBeNull()
    expect(boundary({ ...none, watch: 2.8, fail: 4.5 })).toBe('2.80 / 4.50')
    expect(boundary({ ...none, fail: 4.5 })).toBe('– / 4.50')
    expect(boundary({ ...none, watch: 2, fail: 1, isLower: true })).toBe('≥ 2.00 / 1.00')
    expect(boundary({ ...none, watch: 6.2, watchLow: 5.8, fail: 6.4, failLow: 5.6 })).toBe('5.80…6.20 / 5.60…6.40')
  })

  it('of an answer are the right answer, and an answer is no number', () => {
    expect(boundary({ ...none, fail: 0.5, isLower: true, unit: 'yes/no' })).toBe('yes')
    expect(boundary({ ...none, fail: 0.5, unit: 'yes/no' })).toBe('no')
    expect([1, 0].map((value) => number(value, 'yes/no'))).toEqual(['yes', 'no'])
    expect(change(-1, 0, 'yes/no')).toBe('')
    expect([unitText('yes/no'), unitText('1'), unitText('bar')]).toEqual(['', '', 'bar'])
  })
})

describe('small numbers', () => {
  it('keep three digits, however small', () => {
    expect([0.001234, -12345, 0, 1e-9].map(significant)).toEqual(['0.00123', '−12300', '0', '1e−9'])
  })
})

describe('times', () => {
  it('count calendar days, not spans of 24 hours', () => {
    const morning = new Date(2026, 10, 23, 8, 0)
    expect(age(new Date(2026, 10, 22, 21, 0).toISOString(), morning)).toBe('1 d')
    expect(age(new Date(2026, 10, 23, 7, 0).toISOString(), morning)).toBe('today')
    expect(age(null, morning)).toBe('never')
  })

  it('name a clock difference in the unit that suits', () => {
    expect([45, -420, 7200 * 3, 86_400 * 365].map(span)).toEqual(['45 s', '7 min', '6 h', '365 d'])
  })
})
