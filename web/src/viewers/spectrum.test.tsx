import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { show } from '../test/show'
import { type Curve, expanded } from '../api/curve'
import { nearestTo, outlineOf, placeOf } from './curve'
import { cursorLines, decibels, shownValues, stepsPerHz, topNear, valueAt } from './spectrumScale'
import { SpectrumViewer } from './SpectrumViewer'

vi.mock('./ZoomPlot', () => ({ ZoomPlot: () => null }))
vi.mock('./Plot', () => ({ axis: () => ({}), colour: () => '' }))
afterEach(cleanup)

const curve: Curve = {
  kind: 'lines',
  id: 'spectrum',
  name: 'Spectrum',
  how: 'Hann',
  usualTo: null,
  bands: [{ name: 'running', fromHz: 15, toHz: 25, resultId: 'velocity.band.running' }],
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
    expect(cursorLines('sides', 20, 25, 50).map((line) => `${line.name} ${line.hz}`)).toEqual([
      '−4 0',
      '−3 5',
      '−2 10',
      '−1 15',
      'A 20',
      '+1 25',
      '+2 30',
      '+3 35',
      '+4 40',
    ])
    expect(cursorLines('difference', 20, 40, 50).map((line) => line.name)).toEqual(['A', 'B'])
    expect(cursorLines('difference', null, 40, 50)).toEqual([])
  })

  it('finds the top that is meant and the value there', () => {
    expect(Math.abs(topNear(curve, 23, 6) - 20)).toBeLessThan(1)
    expect(valueAt(curve, curve.y, 38)).toBe(1)
  })

  it.each([75.5, 75.13, 74.9, 75])(
    'puts harmonics of a tone between two lines where its harmonics are (%d Hz)',
    (hz) => {
      // The main lobe of a Hann window, IEEE Std 1057: sin(pi d) / (pi d (1 - d²)) at d lines from the tone.
      const lobe = (d: number) =>
        Math.abs(d) < 1e-9
          ? 1
          : Math.abs(Math.abs(d) - 1) < 1e-9
            ? 0.5
            : Math.abs(Math.sin(Math.PI * d) / (Math.PI * d * (1 - d * d)))
      const x = Array.from({ length: 800 }, (_, i) => i)
      const tones = Array.from({ length: 8 }, (_, i) => ({ hz: (i + 1) * hz, height: 1 / (i + 1) }))
      const y = x.map((line) =>
        Math.sqrt(tones.reduce((sum, tone) => sum + (tone.height * lobe(line - tone.hz)) ** 2, 1e-12)),
      )
      const measured = { ...curve, x, y }
      const found = topNear(measured, hz + 2, 4)
      expect(Math.abs(found - hz)).toBeLessThan(0.02)
      const eighth = cursorLines('harmonics', found, null, 799)[7]
      expect(Math.abs((eighth?.hz ?? 0) - 8 * hz)).toBeLessThan(0.16)
      expect(valueAt(measured, y, eighth?.hz ?? 0)).toBe(
        Math.max(...y.slice(Math.round(8 * hz) - 3, Math.round(8 * hz) + 4)),
      )
    },
  )

  it('reads the higher of the two lines a place lies between', () => {
    const measured = { ...curve, x: [0, 1, 2, 3], y: [0, 3, 4, 0] }
    expect(valueAt(measured, measured.y, 1.4)).toBe(4)
    expect(valueAt(measured, measured.y, 1)).toBe(3)
    expect(valueAt(measured, measured.y, 2.9)).toBe(4)
  })

  it('lays decibels of another reading on the same scale', () => {
    const half = { ...curve, y: curve.y.map((value) => value / 2) }
    expect(shownValues(half, { abscissa: 'Hz', amplitude: 'RMS', ordinate: 'dB' }, curve)[2]).toBeCloseTo(-6.0206, 3)
  })
})

describe('a curve', () => {
  it('is sent without its places where they are even', () => {
    expect(expanded({ ...curve, step: 0.5, x: [], y: [7, 8, 9] }).x).toEqual([0, 0.5, 1])
    expect(expanded({ ...curve, step: null, x: [0, 3], y: [7, 8] }).x).toEqual([0, 3])
  })

  it('finds places by time, before and nearest', () => {
    expect([-1, 0, 9.9, 10, 49, 99].map((at) => placeOf(curve.x, at))).toEqual([0, 0, 0, 1, 4, 5])
    expect([4, 6, 99].map((at) => nearestTo(curve.x, at))).toEqual([0, 1, 5])
  })

  it('keeps a single spike in its outline, and leaves gaps out', () => {
    const x = Array.from({ length: 10_000 }, (_, i) => i)
    const outline = outlineOf(
      x,
      x.map((i) => (i === 4321 ? 9 : i > 9000 ? null : 1)),
    )
    expect(outline.length).toBeLessThanOrEqual(400)
    expect(Math.max(...outline.map((point) => point.high))).toBe(9)
    expect(outline.at(-1)?.x).toBeLessThanOrEqual(9000)
  })
})

const viewed = { other: null, evidence: [], results: [], title: 'P-101 Drive end', file: () => '/file' }

describe('the spectrum viewer', () => {
  it('offers orders where the speed is known, and puts the cursor on a peak out of the list', async () => {
    show(<SpectrumViewer curve={curve} known={[{ id: 'shaft', name: 'shaft', at: 20 }]} {...viewed} />)
    fireEvent.change(await screen.findByLabelText('X axis'), { target: { value: 'orders' } })
    fireEvent.click(screen.getByText('1.02', { selector: 'button' }))
    expect(screen.getByText('A').parentElement?.textContent).toContain('1.02')
    fireEvent.change(screen.getByLabelText('Cursor'), { target: { value: 'harmonics' } })
    expect(screen.getByText('2×').parentElement?.textContent).toContain('2.04')
  })

  it('offers no orders where no speed is known', async () => {
    show(<SpectrumViewer curve={curve} known={[]} {...viewed} />)
    await screen.findByLabelText('X axis')
    expect(screen.queryByText('orders')).toBeNull()
  })

  it('tells the other reading’s value beside its own', async () => {
    show(
      <SpectrumViewer
        curve={curve}
        known={[]}
        {...viewed}
        other={{ curve: { ...curve, y: curve.y.map((value) => value * 3) }, name: '1 May 2026' }}
      />,
    )
    fireEvent.click(await screen.findByText('20.4', { selector: 'button' }))
    expect(screen.getByText('A').parentElement?.textContent).toContain('2 / 6')
    expect(screen.getAllByText('dotted line: 1 May 2026').length).toBe(1)
  })
})
