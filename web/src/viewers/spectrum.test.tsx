import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { CurveView } from '../api/types'
import { show } from '../test/show'
import { csvOf, cursorLines, decibels, shownValues, stepsPerHz, topNear, valueAt } from './spectrumScale'
import { SpectrumViewer } from './SpectrumViewer'

vi.mock('./Plot', () => ({ Plot: () => null, axis: () => ({}), colour: () => '' }))
afterEach(cleanup)

const curve: CurveView = {
  kind: 'lines',
  name: 'Spectrum',
  xUnit: 'Hz',
  yUnit: 'mm/s',
  x: [0, 10, 20, 30, 40, 50],
  y: [0, 0.1, 2, 0.2, 1, 0.1],
  peaks: [
    { at: 20.4, value: 2 },
    { at: 40, value: 1 },
  ],
}

describe('a spectrum’s scale', () => {
  it('turns amplitudes into peaks and decibels below the largest', () => {
    expect(shownValues(curve, { abscissa: 'Hz', amplitude: 'peak', ordinate: 'linear' })[2]).toBeCloseTo(2 * Math.SQRT2)
    const decibelled = shownValues(curve, { abscissa: 'Hz', amplitude: 'RMS', ordinate: 'dB' })
    expect(decibelled[2]).toBe(0)
    expect(decibelled[4]).toBeCloseTo(-6.0206, 3)
    expect(decibels(0, 2)).toBe(-80)
  })

  it('counts in cycles a minute and in orders of the shaft', () => {
    expect(stepsPerHz('CPM', null)).toBe(60)
    expect(stepsPerHz('orders', 25)).toBeCloseTo(1 / 25)
    expect(stepsPerHz('orders', null)).toBe(1)
  })

  it('puts cursors at multiples and side bands, never outside the spectrum', () => {
    expect(cursorLines('harmonics', 12, null, 50).map((line) => line.hz)).toEqual([12, 24, 36, 48])
    expect(cursorLines('sides', 20, 25, 50).map((line) => `${line.name} ${line.hz}`)).toEqual(['−4 0', '−3 5', '−2 10', '−1 15', 'A 20', '+1 25', '+2 30', '+3 35', '+4 40'])
    expect(cursorLines('difference', 20, 40, 50).map((line) => line.name)).toEqual(['A', 'B'])
    expect(cursorLines('difference', null, 40, 50)).toEqual([])
  })

  it('finds the top that is meant and the value there', () => {
    expect(topNear(curve, 23, 6)).toBe(20)
    expect(valueAt(curve, curve.y, 38)).toBe(1)
  })

  it('writes what is shown for a spreadsheet', () => {
    expect(csvOf(curve, 15, 35)).toBe('Hz,Spectrum mm/s RMS\n20,2\n30,0.2')
  })
})

describe('the spectrum viewer', () => {
  it('offers orders where the speed is known, and puts the cursor on a peak out of the list', async () => {
    show(<SpectrumViewer curve={curve} known={[{ name: 'shaft', at: 20 }]} evidence={[]} />)
    fireEvent.change(await screen.findByLabelText('Axis'), { target: { value: 'orders' } })
    fireEvent.click(screen.getByText('1.02', { selector: 'button' }))
    expect(screen.getByText('A').parentElement?.textContent).toContain('1.02')
    fireEvent.change(screen.getByLabelText('Cursor'), { target: { value: 'harmonics' } })
    expect(screen.getByText('2×').parentElement?.textContent).toContain('2.04')
  })

  it('offers no orders where no speed is known', async () => {
    show(<SpectrumViewer curve={curve} known={[]} evidence={[]} />)
    await screen.findByLabelText('Axis')
    expect(screen.queryByText('orders')).toBeNull()
  })
})
