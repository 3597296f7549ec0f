import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { HandStop } from '../api/types'
import { answering, changes, forget, Refusal } from '../test/fakeServer'
import { show } from '../test/show'
import { HandRoundSheet } from './HandRoundSheet'

const stop = (checkId: string, asked: string, form: HandStop['form'], more: Partial<HandStop> = {}): HandStop => ({
  checkId,
  assetTag: 'C-310',
  assetName: 'Compressor',
  point: 'Panel',
  asked,
  form,
  unit: '',
  instruction: '',
  watch: null,
  fail: null,
  isLower: false,
  last: null,
  lastAt: null,
  ...more,
})
const round = {
  routeId: 'r',
  title: 'Weekly',
  stops: [
    stop('g', 'Pressure', 'NUMBER', { unit: 'bar', fail: 8.5, last: 7.2, lastAt: '2026-11-16T08:00:00Z' }),
    stop('q', 'Is the drain clear?', 'YES_OR_NO', { unit: 'yes/no', fail: 0.5, isLower: true }),
    stop('w', 'Remark', 'WORDS'),
  ],
}
let opened: string[]
const sheet = () => show(<HandRoundSheet subject="r" round={round} onSaved={(visit) => opened.push(visit)} />)

beforeEach(() => {
  opened = []
  localStorage.clear()
  answering('GET', '/api/session', () => ({ name: 'technician', displayName: 'Tarn Hollin', role: 'TECHNICIAN' }))
  answering('GET', '/api/routes/skip-reasons', () => ({ reasons: ['Not accessible'] }))
})
afterEach(() => {
  cleanup()
  forget()
})

describe('a round by hand', () => {
  it('goes from stop to stop with Enter and sends what was written and what was skipped', async () => {
    answering('POST', '/api/by-hand', () => ({ visitId: 'v', fresh: 2, known: 0, loose: 0 }))
    sheet()
    const pressure = await screen.findByLabelText('Reading of C-310 Panel, Pressure')
    fireEvent.change(pressure, { target: { value: '7,4' } })
    expect(screen.getByText('– / 8.50')).toBeTruthy()
    expect(screen.getByText('yes')).toBeTruthy()
    fireEvent.keyDown(pressure, { key: 'Enter' })
    expect(document.activeElement).toBe(screen.getByLabelText('Yes'))
    fireEvent.click(screen.getByLabelText('Yes'))
    fireEvent.click(screen.getAllByText('Skip')[2] as HTMLElement)
    await screen.findByText('Not accessible')
    fireEvent.change(screen.getByLabelText('Skipped because: C-310 Panel, Remark'), {
      target: { value: 'Not accessible' },
    })
    fireEvent.click(screen.getByText('Save round'))
    await waitFor(() => expect(opened).toEqual(['v']))
    expect(changes()[0]?.body).toMatchObject({
      routeId: 'r',
      readings: [
        { checkId: 'g', written: '7,4 bar' },
        { checkId: 'q', written: 'yes' },
      ],
      skipped: [{ checkId: 'w', reason: 'Not accessible' }],
    })
    expect(localStorage.length).toBe(0)
  })

  it('is still there after the page was closed, and after the server refused it', async () => {
    answering('POST', '/api/by-hand', () => new Refusal(422, 'invalid', 'C-310 Panel, Pressure: "seven" is no number.'))
    sheet()
    fireEvent.change(await screen.findByLabelText('Reading of C-310 Panel, Pressure'), { target: { value: 'seven' } })
    fireEvent.click(screen.getByText('Save round'))
    expect((await screen.findByRole('alert')).textContent).toContain('is no number')
    cleanup()
    sheet()
    expect((await screen.findByLabelText<HTMLInputElement>('Reading of C-310 Panel, Pressure')).value).toBe('seven')
    fireEvent.click(screen.getByText('Discard entries'))
    expect(screen.getByLabelText<HTMLInputElement>('Reading of C-310 Panel, Pressure').value).toBe('')
  })
})
