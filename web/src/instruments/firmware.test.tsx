import { answering, changes, forget } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { InstrumentView } from '../api/types'
import { show } from '../test/show'
import { FirmwareFact } from './FirmwareFact'

afterEach(() => {
  cleanup()
  forget()
})

describe('firmware', () => {
  const vh2 = { id: 'i', maker: 'Fieldsim', model: 'VH-2', firmware: '2.4.1' } as InstrumentView
  const kept = {
    id: 'f',
    model: 'VH-2',
    version: '2.5.0',
    seconds: 90,
    size: 1,
    sha256: 'ab12',
    keptAt: '2026-11-23T09:00:00Z',
    keptBy: 'x',
    signedBy: '',
    confirmedBy: '',
  }

  it('that is signed is installed only after its warning', async () => {
    answering('GET', '/api/firmware', () => [{ ...kept, signedBy: 'fieldsim' }])
    answering('POST', '/api/instruments/i/firmware', () => ({ id: 'j' }))
    const onJob = vi.fn()
    show(<FirmwareFact instrument={vh2} busy={false} onDrive={false} onJob={onJob} />)
    fireEvent.click(await screen.findByText('Install 2.5.0'))
    expect(await screen.findByText(/about 3 min.*must stay switched on/)).toBeTruthy()
    expect(screen.getByText(/Signed with a registered key of fieldsim/)).toBeTruthy()
    fireEvent.click(screen.getAllByText('Install 2.5.0').at(-1) as HTMLElement)
    await waitFor(() => expect(onJob).toHaveBeenCalled())
    expect(changes()[0]?.body).toEqual({ firmwareId: 'f' })
  })

  it('that nobody signed is confirmed first, and another maker’s key is none', async () => {
    answering('GET', '/api/firmware', () => [{ ...kept, signedBy: 'Another maker' }])
    answering('POST', '/api/firmware/f/confirm', () => ({ ...kept, confirmedBy: 'y' }))
    show(<FirmwareFact instrument={vh2} busy={false} onDrive={false} onJob={() => undefined} />)
    fireEvent.click(await screen.findByText('Install 2.5.0'))
    expect(await screen.findByText('ab12')).toBeTruthy()
    expect(screen.getByText(/a person other than x, who loaded it/)).toBeTruthy()
    fireEvent.click(screen.getByText('They are the same'))
    expect(await screen.findByText(/Loaded by x; y confirmed/)).toBeTruthy()
    expect(changes().map((change) => change.path)).toEqual(['/api/firmware/f/confirm'])
  })
})
