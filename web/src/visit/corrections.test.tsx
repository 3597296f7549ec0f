import { answering, asked, changes, forget } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import type { VisitSheet } from '../api/types'
import { show } from '../test/show'
import { CorrectionBar } from './CorrectionBar'
import { Corrections } from './Corrections'
import { row } from '../test/visitRow'

afterEach(() => {
  cleanup()
  forget()
})

const none = () => []

const done = { id: 'm', sentence: 'place', readings: 1 }

describe('the corrections of a visit', () => {
  it('are listed, and each is undone at any time', async () => {
    answering('GET', '/api/visits/v/corrections', () => [
      {
        id: 'b',
        at: '2026-11-24T09:00:00Z',
        by: 'tarn',
        sentence: 'move to Lower Fell Depot',
        readings: 4,
        isUndone: false,
      },
      { id: 'a', at: '2026-11-23T09:00:00Z', by: 'tarn', sentence: 'discard', readings: 2, isUndone: true },
    ])
    answering('POST', '/api/corrections/b/undo', () => done)
    show(<Corrections visitId="v" mayEdit />)
    expect(await screen.findByText('Corrections (2)')).toBeTruthy()
    expect(screen.getByText('undone')).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Undo correction' }))
    await waitFor(() => expect(changes().map((change) => change.path)).toEqual(['/api/corrections/b/undo']))
  })

  it('are nothing where nothing was corrected', async () => {
    answering('GET', '/api/visits/v/corrections', () => [])
    const { container } = show(<Corrections visitId="v" mayEdit />)
    await waitFor(() => expect(asked.map((one) => one.path)).toContain('/api/visits/v/corrections'))
    expect(container.textContent).toBe('')
  })
})

describe('correction', () => {
  const visit: VisitSheet = {
    id: 'x',
    title: 'Walk',
    client: 'Marrowdale',
    site: 'Works',
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    beganAt: '2000-01-01T06:00:00Z',
    technician: 'Tarn Hollin',
    instrument: {} as VisitSheet['instrument'],
    clockAheadSeconds: 0,
    calibratedOn: null,
    calibratedUntil: null,
    verdicts: { worst: 'FAIL', pass: 0, watch: 0, fail: 1, notJudged: 0 },
    rows: [row, { ...row, checkId: 'w', readingId: 's', isAccidental: true }],
    tray: [],
    clockDoubt: 'A reading says 2000-01-01.',
    files: [],
    newest: { readingId: 's', place: 'P-102 Drive end', takenAt: '2000-01-01T06:10:00Z' },
  }

  it('moves all times by one that is known', async () => {
    answering('POST', '/api/visits/x/times', () => done)
    show(<CorrectionBar certified={none} visit={visit} chosen={visit.rows} />)
    fireEvent.click(await screen.findByText('Correct times'))
    fireEvent.change(screen.getByLabelText('True time'), { target: { value: '2026-11-23T10:15:00' } })
    fireEvent.click(screen.getByText('Shift all times'))
    await waitFor(() =>
      expect(changes()[0]?.body).toEqual({ readingId: 's', takenAt: new Date('2026-11-23T10:15:00').toISOString() }),
    )
  })

  it('discards what looks as if nothing had been measured', async () => {
    answering('POST', '/api/discards', () => done)
    show(<CorrectionBar certified={none} visit={visit} chosen={visit.rows} />)
    fireEvent.click(await screen.findByText('Discard it'))
    await waitFor(() => expect(changes()[0]?.body).toEqual({ readingIds: ['s'], reason: 'nothing was measured' }))
  })

  it('fills one column for the chosen ones, with a decimal comma', async () => {
    answering('POST', '/api/fillings', () => done)
    show(<CorrectionBar certified={none} visit={visit} chosen={[row]} />)
    fireEvent.click(await screen.findByText('Fill column'))
    fireEvent.change(screen.getByLabelText('Value'), { target: { value: '6,2' } })
    fireEvent.click(screen.getByText('Save'))
    await waitFor(() => expect(changes()[0]?.body).toEqual({ readingIds: ['r'], column: 'PRESSURE', value: '6.2' }))
  })

  it('shows what would go where before anything is moved', async () => {
    answering('GET', '/api/outline/find', () => [
      { id: 'c', level: 'CLIENT', tag: '', name: 'Lower Fell Depot', place: '' },
    ])
    answering('POST', '/api/visits/x/move-preview', () => ({
      target: 'Lower Fell Depot',
      lines: [{ from: 'P-102 Drive end', to: '', readings: 2 }],
      loose: 2,
    }))
    answering('POST', '/api/visits/x/move', () => done)
    show(<CorrectionBar certified={none} visit={visit} chosen={visit.rows} />)
    fireEvent.click(await screen.findByText('Move to another place'))
    fireEvent.change(screen.getByLabelText('Client, site or asset'), { target: { value: 'Lower' } })
    fireEvent.click(await screen.findByText('Lower Fell Depot'))
    expect(await screen.findByText('2 readings have no counterpart there and go to the tray.')).toBeTruthy()
    fireEvent.click(screen.getByText('Move 2 readings'))
    await waitFor(() => expect(changes().at(-1)?.body).toEqual({ targetId: 'c', readingIds: [] }))
  })
})
