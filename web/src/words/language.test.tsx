import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, it } from 'vitest'
import { answering, changes, Refusal } from '../test/fakeServer'
import { show } from '../test/show'
import english from './en'
import { chosenLanguage, speak, spoken } from './i18n'
import { LanguageChoice } from './LanguageChoice'
import { Spoken } from './Spoken'

afterEach(async () => {
  cleanup()
  localStorage.clear()
  await speak('en', english)
})

it('is chosen once, kept with the account, and shown at once', async () => {
  answering('PUT', '/api/session/language', () => ({ name: 'anna', language: 'de' }))
  show(
    <Spoken>
      <LanguageChoice />
    </Spoken>,
  )
  fireEvent.change(await screen.findByLabelText('Language'), { target: { value: 'de' } })
  expect(await screen.findByLabelText('Sprache')).toBeTruthy()
  expect(changes().at(-1)?.body).toEqual({ language: 'de' })
  expect(document.documentElement.lang).toBe('de')
  expect(chosenLanguage()).toBe('de')
  // The server reads it for what the browser asks for by itself: streams and files.
  expect(document.cookie).toContain('language=de')
})

it('stays as it was where it could not be kept', async () => {
  answering('PUT', '/api/session/language', () => new Refusal(503, 'away', 'The database does not answer.'))
  show(
    <Spoken>
      <LanguageChoice />
    </Spoken>,
  )
  fireEvent.change(await screen.findByLabelText('Language'), { target: { value: 'de' } })
  expect(await screen.findByText('The database does not answer.')).toBeTruthy()
  expect(screen.getByLabelText('Language')).toBeTruthy()
  expect(chosenLanguage()).toBe('en')
})

it('that Rovek does not speak is left alone', async () => {
  await spoken('constructor')
  await spoken('xx')
  await waitFor(() => expect(chosenLanguage()).toBe('en'))
  localStorage.setItem('rovek.language', 'toString')
  expect(chosenLanguage()).toBe('en')
})
