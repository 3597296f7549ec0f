import { afterEach, describe, expect, it } from 'vitest'
import { limit, number } from './format'
import { type ShownUnit, decimalsIn, showUnits, shownIn } from './shown'

const shown = (
  stored: string,
  unit: string,
  factor: number,
  offset = 0,
  decimals: number | null = null,
): ShownUnit => ({
  stored,
  unit,
  factor,
  offset,
  decimals,
})

afterEach(() => showUnits([]))

describe('units that were chosen', () => {
  it('leave everything else as it is stored', () => {
    expect(shownIn('mm/s')).toMatchObject({ unit: 'mm/s' })
    expect(shownIn('mm/s').value(4.5)).toBe(4.5)
    expect(shownIn('').difference(1)).toBe(1)
  })

  it('shift temperatures, and never their differences', () => {
    showUnits([shown('°C', '°F', 1.8, 32)])
    expect(shownIn('°C').value(23.1)).toBe(73.58)
    expect(shownIn('°C').value(-40)).toBe(-40)
    expect(shownIn('°C').difference(5)).toBe(9)
    expect(shownIn('°C').unit).toBe('°F')
  })

  it('bring back the number that was written, for whatever was stored of it', () => {
    // 95 psi as the server stores it, and 1 in/s.
    showUnits([shown('bar', 'psi', 14.50377377302092), shown('mm/s', 'in/s', 1 / 25.4)])
    expect(shownIn('bar').value(6.550019428509943)).toBe(95)
    expect(shownIn('mm/s').value(25.4)).toBe(1)
    expect(shownIn('mm/s').value(4.5)).toBeCloseTo(4.5 / 25.4, 15)
  })

  it('keep the digits that were typed in them, and none that only conversion made', () => {
    showUnits([shown('°C', '°F', 1.8, 32)])
    expect(number(shownIn('°C').value(22.697), '°F')).toBe('72.9')
    expect(number(95.25, '°F')).toBe('95.25')
    expect(number(22.697, '°C')).toBe('22.697')
  })

  it('have the decimals that were chosen, and more where a number would be nothing or past a limit', () => {
    showUnits([shown('bar', 'bar', 1, 0, 1)])
    expect(decimalsIn('bar')).toBe(1)
    expect(number(6.2489, 'bar')).toBe('6.2')
    expect(number(0.00012, 'bar')).toBe('0.000120')
    expect(number(0, 'bar')).toBe('0.0')
    expect(number(6.21, 'bar', 6.2)).toBe('6.21')
    expect(limit(6.25, 'bar')).toBe('6.25')
    expect(limit(6, 'bar')).toBe('6.0')
    expect(number(6.2489, 'kPa')).toBe('6.2489')
  })
})
