import { act, cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { answering, asked, forget, Refusal } from '../test/fakeServer'
import { show } from '../test/show'
import { KeepPlot } from '../viewers/KeepPlot'
import { ReadingLook } from './ReadingLook'
import { Recalculate } from './Recalculate'
import { ResultTable } from './ResultTable'
import { option } from '../test/option'

vi.mock('../viewers/ZoomPlot', () => ({ ZoomPlot: ({ data }: { data: unknown[] }) => <p>{data.length - 1} curves</p> }))
vi.mock('../viewers/Plot', () => ({ axis: () => ({}), colour: () => '' }))
afterEach(cleanup)
beforeEach(forget)

const line = (reading: string, values: number[]) => ({
  curves: [
    {
      kind: 'lines',
      id: 'spectrum',
      name: 'Spectrum',
      how: 'Hann',
      xUnit: 'Hz',
      yUnit: 'mm/s',
      step: 10,
      x: [],
      y: values,
      usualTo: null,
      peaks: [],
      bands: [],
    },
  ],
  remarks: reading === 'r1' ? ['The sensor was overloaded: the true value may be higher.'] : [],
  looks: [
    { key: 'quantity', name: 'Quantity', options: [option('as checked'), option('displacement')], value: 'as checked' },
  ],
  isRun: false,
})

const own = [
  { readingId: 'r1', at: '2026-04-02T08:00:00Z', assetTag: 'P-101' },
  { readingId: 'r2', at: '2026-03-02T08:00:00Z', assetTag: 'P-101' },
  { readingId: 'r3', at: '2026-03-02T09:30:00Z', assetTag: 'P-101' },
]

describe('a reading looked at closely', () => {
  beforeEach(() => {
    answering('GET', '/api/readings/r1/curves', () => line('r1', [0, 1, 2]))
    answering('GET', '/api/readings/r4/curves', () => line('r4', [0, 3, 1]))
    answering('GET', '/api/readings/r1/insight', () => ({ findings: [], known: [] }))
    answering('GET', '/api/readings/r1/results', () => [])
    answering('GET', '/api/checks/c1/comparable', () => ({
      own,
      sisters: [{ readingId: 'r4', at: '2026-04-01T08:00:00Z', assetTag: 'P-102' }],
      calculatedOtherwise: 0,
    }))
  })

  const look = (
    <ReadingLook
      checkId="c1"
      readingId="r1"
      at="2026-04-02T08:00:00Z"
      place="P-101 Drive end, Velocity"
      curve="spectrum"
      evidence={[]}
    />
  )

  it('is laid beside the same on other dates or a sister asset, never beside itself', async () => {
    show(look)
    const options = (await screen.findByLabelText('Compare with')).querySelectorAll('option')
    const names = [...options].map((option) => option.textContent)
    expect(names[0]).toBe('nothing')
    expect(names.some((name) => name?.startsWith('2 Apr 2026'))).toBe(false)
    expect(names.filter((name) => name?.startsWith('2 Mar 2026, '))).toHaveLength(2)
    fireEvent.change(screen.getByLabelText('Compare with'), { target: { value: 'r4' } })
    expect(await screen.findByText('2 curves')).toBeTruthy()
    expect(screen.getByText('dotted line: P-102, 1 Apr 2026')).toBeTruthy()
  })

  it('says what is to be known of it', async () => {
    show(look)
    expect(await screen.findByText('The sensor was overloaded: the true value may be higher.')).toBeTruthy()
    expect(await screen.findByText('1 curves')).toBeTruthy()
  })

  it('says so where it does not show what is wanted', async () => {
    show(
      <ReadingLook
        checkId="c1"
        readingId="r1"
        at="2026-04-02T08:00:00Z"
        place="P-101 Drive end, Velocity"
        curve="envelope"
        evidence={[]}
      />,
    )
    expect(await screen.findByText('This reading has no such curve.')).toBeTruthy()
  })

  it('asks for it in the way that is chosen, and goes back to the usual one', async () => {
    show(look)
    fireEvent.click(await screen.findByText(/Display settings/))
    fireEvent.change(screen.getByLabelText('Quantity'), { target: { value: 'displacement' } })
    fireEvent.click(await screen.findByText('default', { selector: 'button' }))
    expect(screen.queryByText('default', { selector: 'button' })).toBeNull()
    expect(asked.filter((one) => one.path === '/api/readings/r1/curves').length).toBeGreaterThanOrEqual(2)
  })
})

describe('results of a reading', () => {
  it('stand with limit and verdict, where there is more than one', async () => {
    const result = {
      resultId: 'velocity.rms',
      name: 'velocity RMS',
      value: 2,
      unit: 'mm/s',
      watch: 2.8,
      fail: 4.5,
      watchLow: null,
      failLow: null,
      verdict: 'PASS',
    }
    answering('GET', '/api/readings/r1/results', () => [
      result,
      {
        ...result,
        resultId: 'c',
        name: 'acceleration crest factor',
        unit: '',
        watch: null,
        fail: null,
        verdict: 'NOT_JUDGED',
      },
    ])
    show(<ResultTable readingId="r1" />)
    expect((await screen.findByText('velocity RMS')).closest('tr')?.textContent).toContain('4.50Pass')
    expect(screen.getByText('acceleration crest factor').closest('tr')?.textContent).toContain('–Not judged')
  })
})

describe('recalculating', () => {
  const job = {
    id: 'j',
    kind: 'recalculate',
    title: 'Recalculating',
    state: 'RUNNING',
    done: 100,
    total: 1200,
    sentence: '100 readings recalculated.',
  }
  let tell: (state: string, sentence: string) => void = () => undefined

  beforeEach(() => {
    vi.stubGlobal(
      'EventSource',
      class {
        addEventListener(_: string, listener: (event: { data: string }) => void) {
          tell = (state, sentence) => act(() => listener({ data: JSON.stringify({ ...job, state, sentence }) }))
        }
        close() {}
      },
    )
    answering('POST', '/api/checks/c1/recalculate', () => job)
  })
  afterEach(() => vi.unstubAllGlobals())

  it('is offered with the number of readings, and shows how far it is', async () => {
    let left = 3
    answering('GET', '/api/checks/c1/comparable', () => ({ own, sisters: [], calculatedOtherwise: left }))
    show(<Recalculate checkId="c1" />)
    expect(await screen.findByText('3 readings were calculated with earlier settings.')).toBeTruthy()
    fireEvent.click(screen.getByText('Recalculate'))
    expect(await screen.findByText('100 of 1,200')).toBeTruthy()
    left = 0
    tell('DONE', '1,200 readings recalculated.')
    await vi.waitFor(() => expect(screen.queryByText('Recalculating')).toBeNull())
    await vi.waitFor(() => expect(screen.queryByText('Recalculate')).toBeNull())
    expect(asked.filter((one) => one.method === 'POST')).toHaveLength(1)
  })

  it('may be stopped, and says what is left', async () => {
    answering('GET', '/api/checks/c1/comparable', () => ({ own, sisters: [], calculatedOtherwise: 9 }))
    answering('POST', '/api/jobs/j/stop', () => null)
    show(<Recalculate checkId="c1" />)
    fireEvent.click(await screen.findByText('Recalculate'))
    fireEvent.click(await screen.findByText('Stop'))
    await vi.waitFor(() => expect(asked.map((one) => one.path)).toContain('/api/jobs/j/stop'))
    tell('STOPPED', 'Stopped. The others can be done later.')
    expect(await screen.findByText('Stopped. The others can be done later.')).toBeTruthy()
    fireEvent.click(screen.getByText('Retry'))
    await vi.waitFor(() => expect(asked.filter((one) => one.path === '/api/checks/c1/recalculate')).toHaveLength(2))
  })

  it('says why it cannot be done', async () => {
    answering('GET', '/api/checks/c1/comparable', () => ({ own, sisters: [], calculatedOtherwise: 9 }))
    answering('POST', '/api/checks/c1/recalculate', () => new Refusal(404, 'not-found', 'The check is gone.'))
    show(<Recalculate checkId="c1" />)
    fireEvent.click(await screen.findByText('Recalculate'))
    expect(await screen.findByText('The check is gone.')).toBeTruthy()
  })
})

describe('keeping a plot', () => {
  it('offers a part only where a part is shown, and asks for that part', async () => {
    const addresses: string[] = []
    const file = (form: string, part: { from: number; to: number } | null) => {
      addresses.push(`${form} ${part ? `${part.from}-${part.to}` : 'whole'}`)
      return '/api/nothing'
    }
    const { unmount } = show(<KeepPlot pieces={() => []} name="x" file={file} shown={null} />)
    expect(await screen.findAllByText('CSV')).toHaveLength(1)
    unmount()
    show(<KeepPlot pieces={() => []} name="x" file={file} shown={{ from: 1, to: 2 }} />)
    const links = await screen.findAllByText('XLSX')
    links.forEach((link) => fireEvent.click(link))
    expect(addresses).toEqual(['xlsx whole', 'xlsx 1-2'])
  })
})
