import { answering, changes, forget } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { LooseReading, VisitSheet } from '../api/types'
import { show } from '../test/show'
import { DRAGGED_READING } from './dragging'
import { CorrectionBar } from './CorrectionBar'
import { StopTable } from './StopTable'
import { Tray } from './Tray'
import { row } from '../test/visitRow'

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
  filled: {},
  isAccidental: false,
  proposals: [
    {
      checkId: 'v',
      assetTag: 'P-102',
      place: 'Drive end, Velocity',
      reason: 'tag typed on the instrument',
      certainty: 0.93,
    },
  ],
}

const none = () => []

const done = { id: 'm', sentence: 'place', readings: 1 }

describe('the tray', () => {
  it('draws no more than it shows', async () => {
    show(<Tray tray={Array.from({ length: 120 }, (_, i) => ({ ...loose, id: `r${i}` }))} mayEdit />)
    fireEvent.click(await screen.findByRole('button', { name: 'Show more (70)' }))
    expect(document.querySelectorAll('[data-loose]')).toHaveLength(100)
    expect(screen.getByRole('button', { name: 'Show more (20)' })).toBeTruthy()
  })

  it('places where it was proposed, with undo', async () => {
    answering('POST', '/api/readings/r/place', () => done)
    answering('POST', '/api/corrections/m/undo', () => done)
    show(<Tray tray={[loose]} mayEdit />)
    expect(await screen.findByText('tag typed on the instrument; 93 % match')).toBeTruthy()
    fireEvent.click(screen.getByText('Place here'))
    fireEvent.click(await screen.findByText('Undo'))
    await waitFor(() =>
      expect(changes().map((change) => change.path)).toEqual(['/api/readings/r/place', '/api/corrections/m/undo']),
    )
    expect(changes()[0]?.body).toEqual({ checkId: 'v' })
  })

  it('places all that are certain at once, and takes them back at once', async () => {
    answering('POST', '/api/placements', () => done)
    answering('POST', '/api/corrections/m/undo', () => done)
    const unsure = { ...loose, id: 's', proposals: loose.proposals.map((one) => ({ ...one, certainty: 0.5 })) }
    show(
      <Tray
        tray={[loose, unsure, { ...loose, id: 't' }, { ...loose, id: 'u', discardedBecause: 'slipped' }]}
        mayEdit
      />,
    )
    fireEvent.click(await screen.findByText('Place 2 with at least 80 % match'))
    fireEvent.click(await screen.findByText('Undo'))
    await waitFor(() =>
      expect(changes().map((change) => change.path)).toEqual(['/api/placements', '/api/corrections/m/undo']),
    )
    expect(changes()[0]?.body).toEqual({
      placements: [
        { readingId: 'r', checkId: 'v' },
        { readingId: 't', checkId: 'v' },
      ],
    })
  })

  it('is worked through by keyboard', async () => {
    answering('POST', '/api/readings/s/place', () => done)
    show(<Tray tray={[loose, { ...loose, id: 's', label: 'P-103' }]} mayEdit />)
    const first = await screen.findByText('P-102 Coupling 6.80 mm/s')
    first.focus()
    fireEvent.keyDown(first, { key: 'ArrowDown' })
    expect(document.activeElement?.textContent).toContain('P-103')
    fireEvent.keyDown(document.activeElement as Element, { key: 'Enter' })
    await waitFor(() => expect(changes()).toMatchObject([{ path: '/api/readings/s/place', body: { checkId: 'v' } }]))
    fireEvent.keyDown(document.activeElement as Element, { key: 'd' })
    expect(await screen.findByText('Reason for discarding')).toBeTruthy()
  })

  it('discards only with a reason', async () => {
    answering('POST', '/api/readings/r/discard', () => done)
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
    await screen.findByText('tag typed on the instrument; 93 % match')
    expect(screen.queryByRole('button')).toBeNull()
  })
})

describe('the stops', () => {
  it('show value, limit, change, verdict and note, the value never on the wrong side of its limit', async () => {
    show(
      <StopTable
        certified={none}
        visitedAt="2026-11-20T08:00:00Z"
        rows={[row]}
        left={new Set()}
        onToggle={() => undefined}
        mayEdit
        onLimits={() => undefined}
      />,
    )
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
    show(
      <StopTable
        certified={none}
        visitedAt="2026-11-20T08:00:00Z"
        rows={[unlimited]}
        left={new Set()}
        onToggle={onToggle}
        mayEdit
        onLimits={onLimits}
      />,
    )
    fireEvent.click(await screen.findByText('Set limit'))
    expect(onLimits).toHaveBeenCalledWith(unlimited)
    fireEvent.click(screen.getByRole('checkbox'))
    expect(onToggle).toHaveBeenCalledWith(unlimited, false)
    expect(screen.getByTitle('no limit is set').textContent).toBe('Not judged')
  })

  it('say skipped instead of a number', async () => {
    const skipped = {
      ...row,
      readingId: null,
      value: null,
      change: null,
      progress: 'skipped',
      verdict: 'NOT_JUDGED' as const,
    }
    show(
      <StopTable
        certified={none}
        visitedAt="2026-11-20T08:00:00Z"
        rows={[skipped]}
        left={new Set()}
        onToggle={() => undefined}
        mayEdit={false}
        onLimits={undefined}
      />,
    )
    expect((await screen.findAllByText('skipped')).length).toBeGreaterThan(0)
    expect(screen.queryByRole('checkbox')).toBeNull()
  })

  it('lets two that were perhaps swapped be swapped, and back', async () => {
    answering('POST', '/api/placements', () => done)
    const one = { ...row, checkId: 'a', readingId: 'ra', swappedWith: 'P-102 Drive end', swappedWithId: 'rb' }
    const other = { ...row, checkId: 'b', readingId: 'rb', swappedWith: 'P-101 Drive end', swappedWithId: 'ra' }
    show(
      <StopTable
        certified={none}
        visitedAt="2026-11-20T08:00:00Z"
        rows={[one, other]}
        left={new Set()}
        onToggle={() => undefined}
        mayEdit
        onLimits={undefined}
      />,
    )
    fireEvent.click((await screen.findAllByText('Swap readings'))[0] as HTMLElement)
    await waitFor(() =>
      expect(changes()[0]?.body).toEqual({
        placements: [
          { readingId: 'ra', checkId: 'b' },
          { readingId: 'rb', checkId: 'a' },
        ],
      }),
    )
  })

  it('takes a reading that is dropped onto a stop', async () => {
    answering('POST', '/api/placements', () => done)
    show(
      <StopTable
        certified={none}
        visitedAt="2026-11-20T08:00:00Z"
        rows={[{ ...row, checkId: 'a' }]}
        left={new Set()}
        onToggle={() => undefined}
        mayEdit
        onLimits={undefined}
      />,
    )
    const target = (await screen.findAllByRole('row'))[1] as HTMLElement
    const dataTransfer = { types: [DRAGGED_READING], getData: () => 'loose', effectAllowed: '' }
    fireEvent.dragOver(target, { dataTransfer })
    fireEvent.drop(target, { dataTransfer })
    await waitFor(() => expect(changes()[0]?.body).toEqual({ placements: [{ readingId: 'loose', checkId: 'a' }] }))
  })
})

describe('a stop measured twice', () => {
  const other = {
    readingId: 'x',
    takenAt: '2026-11-23T10:05:00Z',
    isPlanned: false,
    value: 2.1,
    verdict: 'PASS' as const,
    reason: '',
    note: 'second try',
    discardedBecause: null,
  }

  it('shows every reading, and lets another one count', async () => {
    answering('POST', '/api/readings/x/choose', () => done)
    show(
      <StopTable
        certified={none}
        visitedAt="2026-11-23T08:00:00Z"
        rows={[{ ...row, others: [other] }]}
        left={new Set()}
        onToggle={() => undefined}
        mayEdit
        onLimits={() => undefined}
      />,
    )
    const line = await screen.findByRole('row', { name: 'Another reading of Drive end' })
    expect(line.textContent).toContain('2.1')
    expect(line.textContent).toContain('second try')
    fireEvent.click(within(line).getByText('Use this reading'))
    await waitFor(() => expect(changes()[0]?.path).toBe('/api/readings/x/choose'))
  })

  it('takes another one off and brings a discarded one back', async () => {
    answering('POST', '/api/readings/x/place', () => done)
    answering('POST', '/api/readings/y/restore', () => done)
    const gone = { ...other, readingId: 'y', discardedBecause: 'cable off' }
    show(
      <StopTable
        certified={none}
        visitedAt="2026-11-23T08:00:00Z"
        rows={[{ ...row, others: [other, gone] }]}
        left={new Set()}
        onToggle={() => undefined}
        mayEdit
        onLimits={() => undefined}
      />,
    )
    const [first, second] = await screen.findAllByRole('row', { name: 'Another reading of Drive end' })
    fireEvent.click(within(first as HTMLElement).getByText('Move to tray'))
    await waitFor(() => expect(changes()[0]).toMatchObject({ path: '/api/readings/x/place', body: { checkId: null } }))
    expect(within(second as HTMLElement).queryByText('Use this reading')).toBeNull()
    fireEvent.click(within(second as HTMLElement).getByText('Restore'))
    await waitFor(() => expect(changes()[1]?.path).toBe('/api/readings/y/restore'))
  })

  it('says which readings are on a certificate before they are discarded or moved', async () => {
    const visit = {
      rows: [row],
      tray: [],
      clockDoubt: '',
      files: [],
      clockAheadSeconds: 0,
      newest: null,
    } as unknown as VisitSheet
    show(<CorrectionBar certified={(id) => (id === 'r' ? ['2026-0003'] : [])} visit={visit} chosen={[row]} />)
    expect(await screen.findByText(/1 reading is on certificate 2026-0003/)).toBeTruthy()
  })
})
