import { answering, changes, forget } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { LooseReading, VisitRow } from '../api/types'
import { show } from '../test/show'
import { StopTable } from './StopTable'
import { Tray } from './Tray'

afterEach(() => {
  cleanup()
  forget()
})

const loose: LooseReading = {
  id: 'r',
  technique: 'vibration',
  takenAt: '2026-11-23T09:42:00Z',
  label: 'P-102 Coupling',
  note: '',
  value: 6.8,
  unit: 'mm/s',
  discardedBecause: null,
  proposals: [{ checkId: 'v', assetTag: 'P-102', place: 'Drive end, Velocity', reason: 'tag typed on the instrument', points: 60 }],
}

describe('the tray', () => {
  it('places where it was proposed, with undo', async () => {
    answering('POST', '/api/readings/r/place', () => undefined)
    show(<Tray tray={[loose]} mayEdit />)
    expect(await screen.findByText('tag typed on the instrument')).toBeTruthy()
    fireEvent.click(screen.getByText('Place here'))
    fireEvent.click(await screen.findByText('Undo'))
    await waitFor(() => expect(changes().map((change) => change.body)).toEqual([{ checkId: 'v' }, { checkId: null }]))
  })

  it('discards only with a reason', async () => {
    answering('POST', '/api/readings/r/discard', () => undefined)
    show(<Tray tray={[loose]} mayEdit />)
    fireEvent.click(await screen.findByText('Discard'))
    const button = screen.getAllByText('Discard').at(-1) as HTMLButtonElement
    expect(button.disabled).toBe(true)
    fireEvent.change(screen.getByRole('textbox'), { target: { value: 'sensor fell off' } })
    fireEvent.click(button)
    await waitFor(() => expect(changes()[0]?.body).toEqual({ reason: 'sensor fell off' }))
  })

  it('only shows, to somebody who may only look', async () => {
    show(<Tray tray={[loose]} mayEdit={false} />)
    await screen.findByText('tag typed on the instrument')
    expect(screen.queryByRole('button')).toBeNull()
  })
})

describe('the stops', () => {
  const row: VisitRow = {
    checkId: 'v',
    assetId: 'p',
    assetTag: 'P-102',
    assetName: 'Well pump 2',
    point: 'Drive end',
    check: 'Velocity',
    readingId: 'r',
    progress: 'done',
    value: 4.5004,
    unit: 'mm/s',
    watch: 2.8,
    fail: 4.5,
    change: 0.42,
    verdict: 'FAIL',
    reason: '',
    note: 'rattles',
    repeats: 2,
    discardedBecause: null,
  }

  it('show value, limit, change, verdict and note, the value never on the wrong side of its limit', async () => {
    show(<StopTable rows={[row]} left={new Set()} onToggle={() => undefined} mayEdit onLimits={() => undefined} />)
    const cells = (await screen.findByText('4.5004')).closest('tr')?.textContent
    expect(cells).toContain('4.50')
    expect(cells).toContain('+0.42')
    expect(cells).toContain('Fail')
    expect(cells).toContain('rattles, repeated 2 times')
    expect(screen.getByLabelText('done')).toBeTruthy()
  })

  it('offer to set a limit where none is, and leave a row out of the certificate', async () => {
    const onLimits = vi.fn()
    const onToggle = vi.fn()
    const unlimited = { ...row, watch: null, fail: null, verdict: 'NOT_JUDGED' as const, reason: 'no limit is set' }
    show(<StopTable rows={[unlimited]} left={new Set()} onToggle={onToggle} mayEdit onLimits={onLimits} />)
    fireEvent.click(await screen.findByText('set one'))
    expect(onLimits).toHaveBeenCalledWith(unlimited)
    fireEvent.click(screen.getByRole('checkbox'))
    expect(onToggle).toHaveBeenCalledWith(unlimited, false)
    expect(screen.getByTitle('no limit is set').textContent).toBe('Not judged')
  })

  it('say skipped instead of a number', async () => {
    const skipped = { ...row, readingId: null, value: null, change: null, progress: 'skipped', verdict: 'NOT_JUDGED' as const }
    show(<StopTable rows={[skipped]} left={new Set()} onToggle={() => undefined} mayEdit={false} onLimits={undefined} />)
    expect((await screen.findAllByText('skipped')).length).toBeGreaterThan(0)
    expect(screen.queryByRole('checkbox')).toBeNull()
  })
})
