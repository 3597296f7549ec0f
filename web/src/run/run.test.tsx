import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { RunStatistics, RunView } from '../api/types'
import { answering, forget } from '../test/fakeServer'
import { show } from '../test/show'
import { elapsed } from '../units/format'
import { heightsOf, lanesOf } from './lanes'
import { RunViewer } from './RunViewer'

vi.mock('../viewers/ZoomPlot', () => ({ ZoomPlot: ({ label }: { label: string }) => <p>{label}</p> }))
vi.mock('../viewers/Plot', () => ({ axis: () => ({}), colour: () => '' }))
afterEach(cleanup)

const run: RunView = {
  seconds: [0, 60, 120],
  rows: 3,
  markers: [{ atSeconds: 60, text: 'door opened' }],
  channels: [
    { name: 'inlet', unit: '°C', values: [20, null, 24], low: null, high: 22 },
    { name: 'level', unit: 'm', values: [1, 2, 3], low: null, high: null },
    { name: 'outlet', unit: '°C', values: [18, 19, 20], low: null, high: null },
  ],
}

const numbers = {
  samples: 2,
  least: 20,
  leastAtSeconds: 0,
  largest: 24,
  largestAtSeconds: 120,
  mean: 22,
  coveredSeconds: 120,
  outsideSeconds: 30,
  excursions: 1,
}
const statistics: RunStatistics[] = [
  { name: 'inlet', unit: '°C', statistics: numbers },
  { name: 'level', unit: 'm', statistics: { ...numbers, least: 1, largest: 3, mean: 2 } },
  { name: 'outlet', unit: '°C', statistics: null },
]

describe('a run', () => {
  it('lays channels of one unit in one lane', () => {
    expect(lanesOf(run.channels).map((lane) => lane.channels.map((channel) => channel.name))).toEqual([
      ['inlet', 'outlet'],
      ['level'],
    ])
  })

  it('shows limits that are near, and is not pressed flat by those that are far', () => {
    expect(heightsOf(10, 20, [22])[1]).toBeGreaterThan(22)
    expect(heightsOf(10, 20, [500])[1]).toBeLessThan(21)
    expect(heightsOf(null, null, [5])).toEqual([0, 1])
    const [low, high] = heightsOf(5, 5, [])
    expect(low).toBeLessThan(5)
    expect(high).toBeGreaterThan(5)
  })

  it('tells elapsed time with days only where there are any', () => {
    expect([0, 65, 3600, 90_061, -65].map(elapsed)).toEqual([
      '0:00:00',
      '0:01:05',
      '1:00:00',
      '1 d 1:01:01',
      '−0:01:05',
    ])
  })
})

describe('the run viewer', () => {
  beforeEach(() => {
    forget()
    answering('GET', '/api/readings/r1/run/statistics', () => statistics)
    answering('GET', '/api/readings/r1/run', () => run)
  })

  it('says what each channel did, hides and shows, and goes to a marker', async () => {
    show(<RunViewer readingId="r1" title="R-1 Logger" beside={null} />)
    expect(await screen.findByText('Run: inlet, outlet')).toBeTruthy()
    const row = (await screen.findByText('0:00:30, 25.0 %')).closest('tr')
    expect(row?.textContent).toContain('≤ 22.0')
    expect(screen.getByText('Of the whole run. The mean is weighted by time; gaps do not count.')).toBeTruthy()
    fireEvent.click(screen.getByLabelText('Show inlet'))
    expect(screen.getByText('Run: outlet')).toBeTruthy()
    fireEvent.click(screen.getByText(/door opened/))
    expect(await screen.findByText(/Of the visible range/)).toBeTruthy()
  })
})
