import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { CheckLine, Course, PlantEvent, Trend, TrendPoint } from '../api/types'
import { ChangesSay } from '../plant/ChangesSay'
import { answering, asked, forget } from '../test/fakeServer'
import { show } from '../test/show'
import { Compare } from './Compare'
import { CourseSay } from './CourseSay'
import { EventDialog } from './EventDialog'
import { EventList } from './EventList'
import { OverrideDialog } from './OverrideDialog'
import { TrendPanel } from './TrendPanel'

vi.mock('../viewers/Plot', () => ({
  Plot: ({ label }: { label: string }) => <p>{label}</p>,
  axis: () => ({}),
  colour: () => '',
}))
afterEach(cleanup)
beforeEach(forget)

const reaching = {
  boundary: 'FAIL' as const,
  value: 7.1,
  at: '2027-01-06T00:00:00Z',
  earliest: '2026-12-10T00:00:00Z',
  latest: '2027-02-16T00:00:00Z',
}
const course: Course = {
  finding: 'TREND',
  readings: 12,
  since: '2026-05-26T00:00:00Z',
  isGrowth: true,
  isUneven: false,
  perDay: 0.0464,
  probability: 0.003,
  path: [],
  reaching,
}

const point = (day: number, value: number, more: Partial<TrendPoint> = {}): TrendPoint => ({
  readingId: `r${day}`,
  at: `2026-03-${String(day).padStart(2, '0')}T08:00:00Z`,
  value,
  verdict: 'PASS',
  reason: '',
  notes: null,
  ...more,
})

const trend: Trend = {
  checkId: 'c1',
  title: 'P-101 Drive end, Velocity',
  assetTag: 'P-101',
  resultId: 'velocity.rms',
  result: 'velocity RMS',
  unit: 'mm/s',
  zone: 'UTC',
  unitLabel: 'mm/s RMS',
  points: [point(1, 2), point(11, 3), point(21, 5, { verdict: 'WATCH' })],
  stretches: [],
  readings: 3,
  firstAt: '2026-03-01T08:00:00Z',
  lastAt: '2026-03-21T08:00:00Z',
  lines: [{ from: null, to: null, watch: 4.5, fail: 7.1, watchLow: null, failLow: null, said: '4.5/7.1 mm/s' }],
  baselines: [],
  events: [],
  course,
  others: [{ id: 'velocity.peak', name: 'velocity peak' }],
  sisters: [{ checkId: 'c2', assetTag: 'P-102', assetName: 'Well pump 2' }],
}

const check = { checkId: 'c1', assetTag: 'P-101', pointId: 'p1', point: 'Drive end', check: 'Velocity' } as CheckLine

describe('where it is going, in words', () => {
  it('says how fast, since when, and until when with its interval', () => {
    show(<CourseSay course={course} unit="mm/s" />)
    return screen.findByText(/Rising by 1.41 mm\/s per month, accelerating, since 26 May 2026/).then((said) => {
      expect(said.textContent).toContain('Reaches fail at 7.10 about 6 Jan 2027 (90 %: 10 Dec 2026 to 16 Feb 2027).')
      expect(said.parentElement?.textContent).toContain('Probability of such a trend by chance: 0.3 %.')
    })
  })

  it('gives no date where there is no trend, and none that may never come', async () => {
    show(<CourseSay course={{ ...course, finding: 'NONE', reaching: null }} unit="mm/s" />)
    expect(await screen.findByText('No significant trend in 12 readings.')).toBeTruthy()
    cleanup()
    show(
      <CourseSay
        course={{ ...course, perDay: -0.1, isGrowth: false, reaching: { ...reaching, latest: null } }}
        unit="mm/s"
      />,
    )
    expect((await screen.findByText(/Falling by 3.04/)).textContent).toContain(
      '(90 %: not before 10 Dec 2026, perhaps never).',
    )
    cleanup()
    show(<CourseSay course={{ ...course, isGrowth: false, isUneven: true, reaching: null }} unit="mm/s" />)
    expect(
      await screen.findByText('Rising since 26 May 2026, but neither linear nor accelerating: no date is given.'),
    ).toBeTruthy()
    cleanup()
    show(<CourseSay course={{ ...course, finding: 'TOO_FEW', readings: 1 }} unit="mm/s" />)
    expect(await screen.findByText('1 reading: too few for a trend.')).toBeTruthy()
  })
})

describe('a trend with what stands beside it', () => {
  const panel = (
    <TrendPanel
      check={check}
      whole={trend}
      resultId="velocity.rms"
      onResult={() => undefined}
      chosenId="r21"
      chosenAt={undefined}
      onChoose={() => undefined}
      onOverride={() => undefined}
      mayEdit
    />
  )

  it('offers other results and sister assets, and tells each reading to those who do not see the plot', async () => {
    answering('GET', '/api/checks/c2/trend', () => ({ ...trend, checkId: 'c2', assetTag: 'P-102' }))
    show(panel)
    expect(await screen.findByText('Trend: P-101 Drive end, Velocity')).toBeTruthy()
    expect(screen.getByText('5.00 mm/s').closest('tr')?.textContent).toContain('Watch')
    fireEvent.click(screen.getByLabelText('P-102'))
    await vi.waitFor(() => expect(asked.some((one) => one.path === '/api/checks/c2/trend')).toBe(true))
    expect(screen.getAllByRole('option').map((option) => option.textContent)).toEqual(['velocity RMS', 'velocity peak'])
  })

  it('offers nothing to change to somebody who may only look', async () => {
    show(<TrendPanel {...panel.props} mayEdit={false} />)
    await screen.findByText('Trend: P-101 Drive end, Velocity')
    expect(screen.queryByText('Add event')).toBeNull()
    expect(screen.queryByText('Override verdict')).toBeNull()
  })

  it('offers numbers of a part once a part is shown', async () => {
    show(panel)
    await screen.findByText('Trend: P-101 Drive end, Velocity')
    expect(screen.queryByText('visible range as')).toBeNull()
    fireEvent.keyDown(screen.getByRole('slider'), { key: '+' })
    expect(screen.getByText('visible range as')).toBeTruthy()
    fireEvent.keyDown(screen.getByRole('slider'), { key: '0' })
    expect(screen.queryByText('visible range as')).toBeNull()
  })

  it('says that a million readings are thinned', async () => {
    const stretches = [
      { from: '2026-03-01T08:00:00Z', to: '2026-03-11T08:00:00Z', least: 1, largest: 9, readings: 500_000, median: 4 },
    ]
    show(<TrendPanel {...panel.props} whole={{ ...trend, points: [], stretches, readings: 1_000_000 }} />)
    expect(
      await screen.findByText(/1,000,000 readings, drawn by the minimum and maximum of each interval/),
    ).toBeTruthy()
  })
})

describe('sister assets', () => {
  it('are compared on one scale, each with its newest value', async () => {
    answering('GET', '/api/checks/c2/trend', () => ({
      ...trend,
      checkId: 'c2',
      assetTag: 'P-102',
      title: 'P-102 Drive end, Velocity',
      points: [point(5, 40)],
    }))
    show(<Compare trend={trend} />)
    const high = await screen.findByRole('img', { name: 'P-102 Drive end, Velocity' })
    expect(screen.getByText('40.0')).toBeTruthy()
    const low = screen.getByRole('img', { name: 'P-101 Drive end, Velocity' })
    const tops = (picture: HTMLElement) =>
      Math.min(
        ...(picture.querySelector('polyline')?.getAttribute('points') ?? '')
          .split(' ')
          .map((one) => Number(one.split(',')[1])),
      )
    expect(tops(low)).toBeGreaterThan(tops(high) + 50)
  })

  it('are missed where there are none', async () => {
    show(<Compare trend={{ ...trend, sisters: [] }} />)
    expect(await screen.findByText('No sister asset: one of the same class next to it.')).toBeTruthy()
  })
})

describe('what happened', () => {
  const event: PlantEvent = {
    id: 'e1',
    nodeId: 'p1',
    nodeName: 'P-101 Well pump 1',
    at: '2026-03-05T10:00:00Z',
    kind: 'REPAIR',
    words: 'Bearing replaced',
    startsBaseline: true,
    baselineUntil: null,
    notedBy: 'Tarn Hollin',
  }

  it('is noted; a repair starts a baseline unless it is said otherwise, a note does not', async () => {
    show(<EventDialog nodeId="p1" name="P-101 Drive end" at="2026-03-05T10:00:00Z" onClose={() => undefined} />)
    const starts = () => screen.getByLabelText('Starts a new baseline from the readings after it') as HTMLInputElement
    expect((await screen.findByLabelText('Kind')).tagName).toBe('SELECT')
    expect(starts().checked).toBe(true)
    fireEvent.change(screen.getByLabelText('Kind'), { target: { value: 'NOTE' } })
    expect(starts().checked).toBe(false)
    fireEvent.change(screen.getByLabelText('Description'), { target: { value: 'Guard refitted' } })
    fireEvent.click(screen.getByText('Save event'))
    await vi.waitFor(() => expect(asked.some((one) => one.method === 'PUT')).toBe(true))
    expect(asked.find((one) => one.method === 'PUT')?.body).toMatchObject({
      at: '2026-03-05T10:00:00.000Z',
      kind: 'NOTE',
      words: 'Guard refitted',
      startsBaseline: false,
      baselineUntil: null,
    })
  })

  it('is listed the newest first, and taken off', async () => {
    answering('POST', '/api/events/e1/removal', () => undefined)
    show(
      <EventList
        events={[event, { ...event, id: 'e2', at: '2026-03-09T10:00:00Z', words: 'Coupling aligned' }]}
        mayEdit
      />,
    )
    const lines = (await screen.findAllByRole('listitem')).map((line) => line.textContent)
    expect(lines[0]).toContain('Coupling aligned')
    expect(lines[1]).toContain('5 Mar 2026 repair Bearing replaced')
    fireEvent.click(screen.getAllByText('Remove')[1] as HTMLElement)
    expect(await screen.findByText('Event removed.')).toBeTruthy()
  })
})

describe('a person’s own verdict', () => {
  it('needs a reason and says what the limits came to', async () => {
    answering('POST', '/api/overrides', () => ({ changeId: 'x', readings: 1 }))
    show(<OverrideDialog reading={point(21, 5, { verdict: 'FAIL' })} name="P-101" onClose={() => undefined} />)
    expect((await screen.findByText(/Computed verdict/)).textContent).toContain('Fail')
    expect((screen.getByText('Save verdict') as HTMLButtonElement).disabled).toBe(true)
    fireEvent.change(screen.getByLabelText('Reason'), { target: { value: 'Valve was throttled' } })
    fireEvent.click(screen.getByText('Save verdict'))
    await vi.waitFor(() =>
      expect(asked.find((one) => one.path === '/api/overrides')?.body).toEqual({
        readingIds: ['r21'],
        verdict: 'PASS',
        reason: 'Valve was throttled',
      }),
    )
  })

  it('can be given up again', async () => {
    answering('POST', '/api/overrides', () => ({ changeId: 'x', readings: 1 }))
    const notes = {
      overridden: { computed: 'FAIL' as const, because: 'throttled', by: 'Tarn', at: '2026-03-21T09:00:00Z' },
      rejudged: null,
    }
    show(<OverrideDialog reading={point(21, 5, { verdict: 'PASS', notes })} name="P-101" onClose={() => undefined} />)
    fireEvent.click(await screen.findByText('Use computed verdict'))
    await vi.waitFor(() =>
      expect(asked.find((one) => one.path === '/api/overrides')?.body).toMatchObject({ verdict: null }),
    )
  })
})

describe('what got worse since last time', () => {
  it('is said, one click away; getting better or a first verdict is not', async () => {
    const line = (id: string, before: CheckLine['verdict'], now: CheckLine['verdict']) => ({
      ...check,
      checkId: id,
      point: id,
      verdictBefore: before,
      verdict: now,
    })
    let chosen = ''
    show(
      <ChangesSay
        checks={[
          line('one', 'PASS', 'FAIL'),
          line('two', 'FAIL', 'PASS'),
          line('three', 'NOT_JUDGED', 'FAIL'),
          line('four', 'PASS', 'PASS'),
        ]}
        onChoose={(id) => (chosen = id)}
      />,
    )
    expect(await screen.findByText('1 is worse than last time')).toBeTruthy()
    fireEvent.click(screen.getByText('P-101 one Velocity'))
    expect(chosen).toBe('one')
  })
})
