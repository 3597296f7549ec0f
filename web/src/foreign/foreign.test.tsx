import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { ForeignLook } from '../api/types'
import { answering, asked, forget, Refusal } from '../test/fakeServer'
import { show } from '../test/show'
import { ForeignDialog } from './ForeignDialog'

const column = (use: ForeignLook['draft']['columns'][number]['use'], unit = '') => ({
  use,
  unit,
  quantity: '',
  checkId: null,
})
const look: ForeignLook = {
  headings: ['Tag', 'When', 'Pressure'],
  rows: [['P-101', '03/04/2026', '4,2']],
  rowCount: 1,
  marks: ['COMMA'],
  orders: ['DAY_MONTH_YEAR', 'MONTH_DAY_YEAR'],
  dateSample: '03/04/2026',
  draft: {
    mark: 'COMMA',
    order: null,
    zone: 'UTC',
    columns: [column('TAG'), column('DATE'), column('VALUE', 'bar')],
    maker: '',
    model: '',
    serial: '',
  },
  isRemembered: false,
}
const preview = {
  readings: 1,
  placed: 0,
  obstacle: '',
  faultCount: 1,
  first: [
    {
      line: 2,
      at: '2026-04-03T00:00:00Z',
      heading: 'Pressure',
      place: '',
      label: 'P-101 Pressure',
      value: 4.2,
      unit: 'bar',
      note: '',
    },
  ],
  faults: [{ line: 9, heading: 'Pressure', sentence: '"-" is no number.' }],
}
const file = new File(['Tag;When;Pressure\nP-101;03/04/2026;4,2\n'], 'log.csv')

beforeEach(() => {
  answering('GET', '/api/session', () => ({ name: 'technician', displayName: 'Tarn Hollin', role: 'TECHNICIAN' }))
  answering('GET', '/api/instruments', () => [])
  answering('POST', '/api/outline/checks', () => ({ all: 0, checks: [] }))
  answering('POST', '/api/foreign-tables/look', () => look)
  answering('POST', '/api/foreign-tables/preview', () => preview)
})
afterEach(() => {
  cleanup()
  forget()
})
const calls = (path: string) => asked.filter((one) => one.path === path)

describe('a foreign table', () => {
  it('asks for the order of its dates before anything is read, then says what would be taken and what not', async () => {
    const taken: (string | null)[] = []
    answering('POST', '/api/foreign-tables', () => ({ visitId: 'v', fresh: 1, known: 0, loose: 1 }))
    show(<ForeignDialog file={file} onTaken={(visit) => taken.push(visit)} onClose={() => undefined} />)
    expect(await screen.findByText('“03/04/2026” can be read in more than one way.')).toBeTruthy()
    expect(calls('/api/foreign-tables/preview')).toHaveLength(0)
    fireEvent.change(screen.getByLabelText('Date format'), { target: { value: 'DAY_MONTH_YEAR' } })
    expect(await screen.findByText('1 reading: 0 on their checks, 1 to the tray.')).toBeTruthy()
    expect(screen.getByText(/line 9, Pressure: "-" is no number./)).toBeTruthy()
    const take = screen.getByText<HTMLButtonElement>('Import reading')
    expect(take.disabled).toBe(true)
    fireEvent.change(screen.getByLabelText('Model'), { target: { value: 'Logger' } })
    fireEvent.change(screen.getByLabelText('Serial number'), { target: { value: '77' } })
    expect(take.disabled).toBe(false)
    fireEvent.click(take)
    await waitFor(() => expect(taken).toEqual(['v']))
  })

  it('says why a file is no table, and what of the meaning is impossible', async () => {
    answering(
      'POST',
      '/api/foreign-tables/preview',
      () => new Refusal(422, 'invalid', 'Say which column holds values.'),
    )
    show(<ForeignDialog file={file} onTaken={() => undefined} onClose={() => undefined} />)
    fireEvent.change(await screen.findByLabelText('Content of Pressure'), { target: { value: 'IGNORED' } })
    fireEvent.change(screen.getByLabelText('Date format'), { target: { value: 'DAY_MONTH_YEAR' } })
    expect((await screen.findByRole('alert')).textContent).toBe('Say which column holds values.')
    cleanup()
    answering(
      'POST',
      '/api/foreign-tables/look',
      () => new Refusal(422, 'invalid', 'The file has no line of headings with columns below it.'),
    )
    show(<ForeignDialog file={new File(['x'], 'x.csv')} onTaken={() => undefined} onClose={() => undefined} />)
    expect((await screen.findByRole('alert')).textContent).toContain('no line of headings')
  })
})
