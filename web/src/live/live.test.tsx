import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { LiveUpdate } from '../api/types'
import { answering, changes, forget, Refusal } from '../test/fakeServer'
import { show } from '../test/show'
import { ChannelCard } from './ChannelCard'
import { LargeGo } from './LargeGo'
import { RecordBar } from './RecordBar'
import { useLive } from './useLive'

class FakeEvents {
  static last: FakeEvents
  onerror: (() => void) | null = null
  private hear: ((event: MessageEvent<string>) => void) | null = null
  constructor(readonly url: string) {
    FakeEvents.last = this
  }
  addEventListener(_: string, hear: (event: MessageEvent<string>) => void) {
    this.hear = hear
  }
  tell(update: LiveUpdate) {
    act(() => this.hear?.(new MessageEvent('live', { data: JSON.stringify(update) })))
  }
  close() {
    this.hear = null
  }
}
globalThis.EventSource = FakeEvents as unknown as typeof EventSource

const channel = { name: 'Pressure', unit: 'bar', low: 5, high: 7 }
const sample = (second: number, value: number | null) => ({
  at: `2026-11-23T10:00:0${second}.000Z`,
  values: [value],
  go: [value === null ? ('NO_GO' as const) : ('GO' as const)],
})
const update = (samples: LiveUpdate['samples'], more: Partial<LiveUpdate> = {}): LiveUpdate => ({
  title: 'Booster outlet',
  isConnected: true,
  sentence: '',
  channels: [channel],
  recording: null,
  samples,
  newest: samples.length,
  ...more,
})

beforeEach(() => {
  answering('GET', '/api/session', () => ({ name: 'technician', displayName: 'Tarn Hollin', role: 'TECHNICIAN' }))
  answering('POST', '/api/outline/checks', () => ({ all: 0, checks: [] }))
})
afterEach(() => {
  cleanup()
  forget()
})

function Told() {
  const live = useLive('SETUP', 's')
  return <p>{`${live.samples.map((one) => one.values[0]).join(' ')} ${live.update?.isConnected ? 'on' : 'off'}`}</p>
}

describe('the live view', () => {
  it('tells every sample once, though the server tells all it remembers again after a break', async () => {
    show(<Told />)
    await waitFor(() => expect(FakeEvents.last.url).toBe('/api/live/SETUP/s/stream'))
    FakeEvents.last.tell(update([sample(1, 6), sample(2, 6.1)]))
    act(() => FakeEvents.last.onerror?.())
    expect(screen.getByText('6 6.1 off')).toBeTruthy()
    FakeEvents.last.tell(update([sample(1, 6), sample(2, 6.1), sample(3, 6.2)]))
    expect(screen.getByText('6 6.1 6.2 on')).toBeTruthy()
  })

  it('says go only where every channel that has a limit keeps to it', async () => {
    const shown = [
      { channel, at: 0 },
      { channel: { ...channel, name: 'State', low: null, high: null }, at: 1 },
    ]
    const newest = { at: '2026-11-23T10:00:00Z', values: [6, 1], go: ['GO' as const, 'NOT_JUDGED' as const] }
    show(<LargeGo title="Booster" shown={shown} newest={newest} sentence="" onClose={() => undefined} />)
    expect((await screen.findByRole('status', { name: 'Overall' })).textContent).toBe('Go')
    cleanup()
    show(
      <LargeGo
        title="Booster"
        shown={shown}
        newest={{ ...newest, values: [8, 1], go: ['NO_GO', 'NOT_JUDGED'] }}
        sentence=""
        onClose={() => undefined}
      />,
    )
    expect((await screen.findByRole('status', { name: 'Overall' })).textContent).toBe('No go')
    cleanup()
    show(
      <LargeGo
        title="Booster"
        shown={shown}
        newest={undefined}
        sentence="The link was lost."
        onClose={() => undefined}
      />,
    )
    expect((await screen.findByRole('status', { name: 'Overall' })).textContent).toBe('No limit is set')
    expect(screen.getByText('The link was lost.')).toBeTruthy()
  })

  it('records with a name and an interval, marks by key and by words, and keeps the name when it is refused', async () => {
    answering(
      'POST',
      '/api/live/SETUP/s/recording',
      () => new Refusal(409, 'recorded-already', 'Start-up is being recorded already, by anna.'),
    )
    show(<RecordBar kind="SETUP" id="s" update={update([])} />)
    fireEvent.change(await screen.findByLabelText('Name of the recording'), { target: { value: 'Start-up' } })
    fireEvent.change(screen.getByLabelText('Interval'), { target: { value: '0,5' } })
    fireEvent.click(screen.getByText('Start recording'))
    expect((await screen.findByRole('alert')).textContent).toContain('recorded already, by anna')
    expect(screen.getByLabelText<HTMLInputElement>('Name of the recording').value).toBe('Start-up')
    expect(changes()[0]?.body).toMatchObject({ name: 'Start-up', intervalMillis: 500, checkId: null })
    cleanup()
    forget()
    answering('POST', '/api/live/SETUP/s/marks', () => undefined)
    const recording = {
      id: 'r',
      name: 'Start-up',
      intervalMillis: 500,
      beganAt: '2026-11-23T10:00:00Z',
      by: 'anna',
      rows: 12,
      marks: [{ at: '2026-11-23T10:00:01Z', text: 'on' }],
    }
    show(<RecordBar kind="SETUP" id="s" update={update([], { recording })} />)
    expect(await screen.findByText('Recording Start-up: 12 rows, one every 0.5 s.')).toBeTruthy()
    fireEvent.keyDown(window, { key: 'm' })
    fireEvent.change(screen.getByLabelText('Marker text'), { target: { value: 'valve opened' } })
    fireEvent.click(screen.getByText('Add marker'))
    await waitFor(() =>
      expect(changes().map((change) => change.body)).toEqual([{ text: '' }, { text: 'valve opened' }]),
    )
  })

  it('sets limits with a decimal comma, and none where nothing is typed', async () => {
    answering('PUT', '/api/live/SETUP/s/limits', () => undefined)
    show(
      <ChannelCard
        kind="SETUP"
        id="s"
        channel={channel}
        value={6}
        go="GO"
        isShown
        mayEdit
        onToggle={() => undefined}
      />,
    )
    fireEvent.click(await screen.findByText('Limits'))
    fireEvent.change(screen.getByLabelText('Min Pressure'), { target: { value: '5,5' } })
    fireEvent.change(screen.getByLabelText('Max Pressure'), { target: { value: '' } })
    fireEvent.click(screen.getByText('Save'))
    await waitFor(() => expect(changes()[0]?.body).toEqual({ channel: 'Pressure', low: 5.5, high: null }))
  })
})
