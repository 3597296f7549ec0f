import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { OriginalLine } from '../api/types'
import { answering, changes, forget } from '../test/fakeServer'
import { show } from '../test/show'
import { LeftOut } from './LeftOut'

afterEach(() => {
  cleanup()
  forget()
})

const original: OriginalLine = {
  id: 'o',
  fileName: 'W1.zip',
  sha256: 'a'.repeat(64),
  size: 1,
  readBackAt: '2026-11-23T09:00:00Z',
  readBackBy: 'anna',
  newReadings: 1,
  knownReadings: 0,
  leftOut: ['readings.ndjson line 2: no unit is written "mtr/sec2"'],
  unknownUnits: ['mtr/sec2'],
}

describe('what of an original could not be taken', () => {
  it('is said with its reason, and a unit is explained once', async () => {
    answering('GET', '/api/session', () => ({ name: 'technician', displayName: 'Tarn Hollin', role: 'TECHNICIAN' }))
    answering('GET', '/api/unit-spellings', () => ({ symbols: ['g', 'm/s²'], said: [] }))
    answering('PUT', '/api/unit-spellings', () => ({
      symbols: ['g', 'm/s²'],
      said: [{ written: 'mtr/sec2', symbol: 'm/s²' }],
    }))
    const onTakeAgain = vi.fn()
    show(<LeftOut original={original} onTakeAgain={onTakeAgain} />)
    expect(await screen.findByText('1 reading could not be imported. It is kept in this original.')).toBeTruthy()
    expect(screen.getByText(/line 2: no unit is written/)).toBeTruthy()
    const choice = await screen.findByLabelText('“mtr/sec2” means')
    await screen.findByRole('option', { name: 'm/s²' })
    expect(screen.getByRole('button', { name: 'Save and import again' })).toHaveProperty('disabled', true)
    fireEvent.change(choice, { target: { value: 'm/s²' } })
    fireEvent.click(screen.getByRole('button', { name: 'Save and import again' }))
    await waitFor(() => expect(onTakeAgain).toHaveBeenCalledOnce())
    expect(changes()).toEqual([
      { method: 'PUT', path: '/api/unit-spellings', body: { written: 'mtr/sec2', symbol: 'm/s²' } },
    ])
  })

  it('is nothing where all was taken', () => {
    const { container } = show(<LeftOut original={{ ...original, leftOut: [] }} onTakeAgain={vi.fn()} />)
    expect(container.textContent).toBe('')
  })
})
