import { cleanup, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, it } from 'vitest'
import { answering, forget } from '../test/fakeServer'
import { show } from '../test/show'
import { readTimes } from '../units/times'
import { Shell } from './Shell'

afterEach(() => {
  cleanup()
  forget()
  readTimes({ homeZone: 'UTC', ownZone: '', dateFormat: '' })
})

function signedIn(dateFormat: string) {
  answering('GET', '/api/session', () => ({
    name: 'anna',
    displayName: 'Anna',
    role: 'TECHNICIAN',
    language: 'en',
    timeZone: '',
    dateFormat,
    powers: [],
  }))
  answering('GET', '/api/units', () => ({ kinds: [], ownUnits: [], shown: [] }))
  answering('GET', '/api/times', () => ({ homeZone: 'UTC', zones: [], dateFormats: [] }))
}

it('tells the server how days are read, and takes it back', async () => {
  signedIn('dd.MM.yyyy')
  show(<Shell>a room</Shell>)
  await screen.findByText('a room')
  // The server reads it for the days within its sentences.
  await waitFor(() => expect(document.cookie).toContain('days=dd.MM.yyyy'))
  cleanup()
  signedIn('')
  show(<Shell>a room</Shell>)
  await screen.findByText('a room')
  await waitFor(() => expect(document.cookie).not.toContain('days='))
})
