import { useState } from 'react'
import { cleanup, screen } from '@testing-library/react'
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

/** What a room asks with at first. */
function Room() {
  const [first] = useState(() => document.cookie)
  return <p>asks with {first}</p>
}

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
  // The server reads it for the days within its sentences, from a room's first question on.
  show(
    <Shell>
      <Room />
    </Shell>,
  )
  expect(await screen.findByText(/days=dd\.MM\.yyyy/)).toBeTruthy()
  cleanup()
  signedIn('')
  show(
    <Shell>
      <Room />
    </Shell>,
  )
  expect((await screen.findByText(/^asks with/)).textContent).not.toContain('days=')
})
