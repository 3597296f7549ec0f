import { answering, asked, changes, forget, Refusal } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { ConnectionView, GateItem, JobView, MemoryLine } from '../api/types'
import { show } from '../test/show'
import { vh2 } from '../test/vh2'
import { t } from '../words/t'
import { SensorDialog } from './SensorDialog'
import { InstrumentDesk } from './InstrumentDesk'
import { InstrumentFacts } from './InstrumentFacts'
import { JobPanel } from '../parts/JobPanel'
import { LoadDialog } from './LoadDialog'
import { MemoryList } from './MemoryList'

afterEach(() => {
  cleanup()
  forget()
})

const file = (name: string, kind: string, state: string, more: Partial<MemoryLine> = {}): MemoryLine => ({
  name,
  what: '',
  kind,
  state,
  bytes: 1_600_000,
  arrivedBytes: 0,
  storedAt: null,
  ...more,
})

describe('the memory list', () => {
  it('tells new, broken off and stored apart by words, and a route cannot be taken', async () => {
    const onChoose = vi.fn()
    const files = [
      file('ROUTES/ROUTE.zip', 'ROUTE', 'LOADED'),
      file('RESULTS/W0001.zip', 'READINGS', 'STORED', { storedAt: '2026-11-23T09:00:00Z' }),
      file('RESULTS/W0002.zip', 'READINGS', 'PART', { arrivedBytes: 131_072 }),
      file('RESULTS/LOOSE.zip', 'LOOSE', 'NEW'),
    ]
    show(<MemoryList instrumentId="i" files={files} chosen={new Set(['RESULTS/LOOSE.zip'])} onChoose={onChoose} />)
    expect(await screen.findByText(/^stored 23 Nov 2026/)).toBeTruthy()
    expect(screen.getByText('interrupted, 131 kB kept')).toBeTruthy()
    expect(screen.getAllByRole('checkbox')).toHaveLength(3)
    fireEvent.click(screen.getByLabelText('RESULTS/W0002.zip'))
    expect([...(onChoose.mock.calls[0]?.[0] as Set<string>)]).toEqual(['RESULTS/LOOSE.zip', 'RESULTS/W0002.zip'])
  })
})

describe('a job', () => {
  const job = (state: JobView['state'], sentence: string): JobView => ({
    id: 'j',
    kind: 'read back',
    title: 'Reading back',
    state,
    done: 500_000,
    total: 2_000_000,
    sentence,
    subjectId: 'i',
  })

  it('shows how far it is and can be stopped', async () => {
    answering('POST', '/api/jobs/j/stop', () => undefined)
    show(<JobPanel job={job('RUNNING', 'Reading back W0001')} onTryAgain={() => undefined} />)
    expect((await screen.findByRole('progressbar')).getAttribute('aria-valuenow')).toBe('25')
    expect(screen.getByText(/the next try resumes here/)).toBeTruthy()
    fireEvent.click(screen.getByText('Stop'))
    await waitFor(() => expect(changes()[0]?.path).toBe('/api/jobs/j/stop'))
  })

  it('says why it failed and offers another try', async () => {
    const onTryAgain = vi.fn()
    show(<JobPanel job={job('FAILED', 'The link to the instrument broke.')} onTryAgain={onTryAgain} />)
    expect(await screen.findByText('The link to the instrument broke.')).toBeTruthy()
    fireEvent.click(screen.getByText('Retry'))
    expect(onTryAgain).toHaveBeenCalled()
    expect(screen.queryByRole('progressbar')).toBeNull()
  })
})

describe('the facts', () => {
  const connection = (ahead: number): ConnectionView => ({
    instrument: vh2,
    batteryPercent: 81,
    temperatureCelsius: 24.5,
    clockAheadSeconds: ahead,
    availableOptions: [],
    isRunning: null,
    clockIsWrong: Math.abs(ahead) > 30,
    usedBytes: 0,
    freeBytes: 64_000_000,
    files: [],
  })

  it('offer to set a wrong clock and say which way it is wrong', async () => {
    const onSetClock = vi.fn()
    show(<InstrumentFacts connection={connection(-420)} onSetClock={onSetClock} firmware="2.4.1" />)
    expect(await screen.findByText('7 min slow')).toBeTruthy()
    fireEvent.click(screen.getByText('Set clock'))
    expect(onSetClock).toHaveBeenCalled()
  })

  it('leave a right clock alone', async () => {
    show(<InstrumentFacts connection={connection(2)} onSetClock={() => undefined} firmware="2.4.1" />)
    expect(await screen.findByText('correct')).toBeTruthy()
    expect(screen.queryByText('Set clock')).toBeNull()
  })

  it('keeps a sensor open and says so where no number was typed', async () => {
    answering('GET', '/api/plant/techniques', () => [
      {
        id: 'vibration',
        name: 'Vibration',
        presets: [],
        settings: [],
        results: [],
        sensitivityUnit: 'mV/g',
        sensorUnit: 'g',
      },
    ])
    answering('GET', '/api/instruments', () => [])
    answering('PUT', '/api/sensors/x', () => undefined)
    const onClose = vi.fn()
    show(<SensorDialog sensor={undefined} onClose={onClose} />)
    fireEvent.change(await screen.findByLabelText('Tag'), { target: { value: 'ACC-9' } })
    fireEvent.change(screen.getByLabelText('Sensitivity'), { target: { value: '100,5' } })
    fireEvent.change(screen.getByLabelText('Range 1'), { target: { value: 'fifty' } })
    fireEvent.click(screen.getByText('Save'))
    expect((await screen.findByRole('alert')).textContent).toContain('“fifty” is not a valid number')
    expect(changes()).toHaveLength(0)
    expect(onClose).not.toHaveBeenCalled()
  })
})

describe('the gate before loading', () => {
  const clock: GateItem = {
    kind: 'CLOCK',
    state: 'RESOLVE',
    found: '2 h 0 min fast',
    meaning: 'Readings would be dated 2 h 0 min too late.',
  }
  const battery: GateItem = { kind: 'BATTERY', state: 'DECIDE', found: '6 %', meaning: 'The walk takes about 18 min.' }
  const calibration: GateItem = { kind: 'CALIBRATION', state: 'READY', found: 'to 2027-10-14', meaning: '' }

  function loading(items: () => GateItem[]) {
    answering('GET', '/api/routes', () => [
      { id: 'r', name: 'Filling hall', stops: [{}, {}], minutes: 18, memoryBytes: 13_600_000 },
    ])
    answering('GET', '/api/setups', () => [])
    answering('GET', '/api/instruments/i/load-gate', () => ({ items: items() }))
    const onLoad = vi.fn()
    show(<LoadDialog instrument={vh2} first={undefined} onClose={() => undefined} onLoad={onLoad} />)
    return onLoad
  }

  it('sets the clock with one click and loads over a low battery only where somebody says so', async () => {
    let isSet = false
    answering('POST', '/api/instruments/i/clock', () => {
      isSet = true
      return undefined
    })
    const onLoad = loading(() =>
      isSet
        ? [battery, calibration, { ...clock, state: 'READY', found: 'correct', meaning: '' }]
        : [clock, battery, calibration],
    )
    expect(await screen.findByText('2 items are open before it can be loaded: Clock, Battery.')).toBeTruthy()
    const button = screen.getByRole('button', { name: t('instruments:load') }) as HTMLButtonElement
    expect(button.disabled).toBe(true)
    fireEvent.click(screen.getByText('Set clock'))
    expect(await screen.findByText('1 item is open before it can be loaded: Battery.')).toBeTruthy()
    fireEvent.click(screen.getByLabelText('Load anyway: Battery'))
    expect(await screen.findByText('Ready to load.')).toBeTruthy()
    fireEvent.click(button)
    expect(onLoad).toHaveBeenCalledWith({ kind: 'route', id: 'r' }, ['BATTERY'])
  })

  it('reads back first what is dated by the wrong clock', async () => {
    vi.stubGlobal(
      'EventSource',
      class {
        addEventListener() {}
        close() {}
      },
    )
    answering(
      'POST',
      '/api/instruments/i/clock',
      () => new Refusal(409, 'unread-readings', 'The clock was left as it is.'),
    )
    answering('POST', '/api/instruments/i/read-back-and-set-clock', () => ({
      id: 'j',
      kind: 'read back',
      title: 'Reading back, then setting the clock',
      state: 'RUNNING',
      done: 0,
      total: 0,
      sentence: 'Connecting',
    }))
    loading(() => [clock])
    fireEvent.click(await screen.findByText('Set clock'))
    expect(await screen.findByText('Reading back, then setting the clock')).toBeTruthy()
    expect(screen.queryByText('Set clock')).toBeNull()
    vi.unstubAllGlobals()
  })

  it('offers no way round what the instrument cannot take', async () => {
    loading(() => [
      { kind: 'FIT', state: 'STOP', found: 'it does not fit', meaning: 'It has no acceleration.' },
      calibration,
    ])
    expect(await screen.findByText('It has no acceleration.')).toBeTruthy()
    expect(screen.queryByText('Load anyway')).toBeNull()
    expect((screen.getByRole('button', { name: t('instruments:load') }) as HTMLButtonElement).disabled).toBe(true)
  })
})

describe('a link that broke', () => {
  it('is told once, with what was kept and what to do', async () => {
    vi.stubGlobal(
      'EventSource',
      class {
        addEventListener() {}
        close() {}
      },
    )
    const broken: JobView = {
      id: 'j',
      kind: 'read back',
      title: 'Reading back',
      state: 'FAILED',
      done: 131_000,
      total: 262_000,
      sentence: 'The link broke. What arrived is kept.',
      subjectId: 'i',
    } as JobView
    answering('GET', '/api/session', () => ({
      id: 'm',
      name: 'me',
      displayName: 'Me',
      role: 'TECHNICIAN',
      active: true,
      version: 0,
    }))
    answering(
      'GET',
      '/api/instruments/i/connection',
      () => new Refusal(502, 'link.not-reachable', 'Nobody answers at 127.0.0.1 port 5025.'),
    )
    answering('GET', '/api/instruments/i/job', () => ({ job: broken }))
    answering('GET', '/api/connections', () => ({ connections: [], candidates: [], lines: [] }))
    answering('GET', '/api/instruments/i/originals', () => [])
    answering('GET', '/api/instruments/i/papers', () => [])
    answering('GET', '/api/unit-spellings', () => ({ said: [], units: [] }))
    show(<InstrumentDesk instrument={vh2} toLoad={undefined} shelf={null} />)
    expect(
      await screen.findByText('Reading back was interrupted. What arrived is stored; the next try resumes.'),
    ).toBeTruthy()
    expect(screen.getByText('Retry')).toBeTruthy()
    await waitFor(() => expect(asked.some((request) => request.path === '/api/instruments/i/connection')).toBe(true))
    expect(screen.queryByText(/Nobody answers/)).toBeNull()
    expect(screen.queryByText(/does not answer/)).toBeNull()
    vi.unstubAllGlobals()
  })
})
