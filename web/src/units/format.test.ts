import { describe, expect, it } from 'vitest'
import { age, change, limit, number, significant, span } from './format'

describe('numbers', () => {
  it('keep three digits and a true minus', () => {
    expect(
      [1.23456789, 12.3456789, 123.456789, -0.0345678912, 0.00012345678, 0].map((value) => number(value, '')),
    ).toEqual(['1.23', '12.3', '123', '−0.0346', '0.000123', '0.00'])
  })

  it('never hide an excess by rounding', () => {
    expect(number(4.5004, '', 2.8, 4.5)).toBe('4.5004')
    expect(number(4.5, '', null, 4.5)).toBe('4.50')
    expect(number(9.18, '', 4, 8)).toBe('9.18')
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

  it('keep the digits that an instrument or a person gave', () => {
    expect([13.605, 4.5, 100, 1482.5, 0.034, 12.0001, Math.fround(13.605)].map((value) => number(value, ''))).toEqual([
      '13.605',
      '4.50',
      '100',
      '1482.5',
      '0.0340',
      '12.0001',
      '13.605',
    ])
  })

  it('never shorten a limit that was typed with more digits', () => {
    expect([4.5, 4, 2.805, 0.00002, 1e-7, 0.0125, 0, -40].map((value) => limit(value, ''))).toEqual([
      '4.50',
      '4.00',
      '2.805',
      '0.00002',
      '0.0000001',
      '0.0125',
      '0.00',
      '−40.00',
    ])
    expect([14 / 3, 1 / 3000].map((value) => limit(value, ''))).toEqual(['4.667', '0.0003333'])
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
