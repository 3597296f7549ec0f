import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { SetupFieldView, SetupFormView, SetupView } from '../api/types'
import { answering, changes, forget, Refusal } from '../test/fakeServer'
import { show } from '../test/show'
import { SetupEditor } from './SetupEditor'
import { option } from '../test/option'

const field = (key: string, name: string, more: Partial<SetupFieldView>): SetupFieldView => ({
  key,
  name,
  unit: '',
  usual: '',
  kind: 'TEXT',
  options: [],
  whenKey: '',
  whenValues: [],
  ...more,
})

const form: SetupFormView = {
  id: 'logger',
  name: 'Data logger',
  fields: [
    field('interval', 'Interval', { usual: '10', kind: 'NUMBER', unit: 's' }),
    field('stop', 'Stops', {
      usual: 'when told to',
      kind: 'CHOICE',
      options: [option('when told to'), option('after a time')],
    }),
    field('minutes', 'Stop after', { usual: '60', kind: 'NUMBER', whenKey: 'stop', whenValues: ['after a time'] }),
  ],
  rowName: 'Channel',
  rowFields: [field('name', 'Name', {})],
  mostRows: 2,
}
const saved: SetupView = {
  id: 's',
  name: 'Reservoir',
  form: 'logger',
  revision: 2,
  values: { interval: '60', stop: 'when told to' },
  rows: [{ name: 'Level' }],
  says: '1 channel every 60 s',
  isLoadable: true,
  loaded: [],
  version: 5,
}

beforeEach(() => {
  answering('GET', '/api/session', () => ({ name: 'technician', displayName: 'Tarn Hollin', role: 'TECHNICIAN' }))
  answering('GET', '/api/setups/forms', () => [form])
  answering('GET', '/api/instruments', () => [])
  answering('GET', '/api/setups/s/revisions', () => [
    { revision: 2, at: '2026-11-23T09:00:00Z', by: 'technician', values: saved.values, rows: saved.rows },
    {
      revision: 1,
      at: '2026-11-22T09:00:00Z',
      by: 'technician',
      values: { interval: '5', stop: 'when told to' },
      rows: [{ name: 'Old level' }],
    },
  ])
})
afterEach(() => {
  cleanup()
  forget()
})

describe('a set-up', () => {
  it('asks only for what matters, and writes what was asked for', async () => {
    answering('PUT', '/api/setups/s', () => saved)
    show(<SetupEditor saved={saved} onSaved={() => undefined} />)
    await screen.findByText('Save set-up')
    expect(screen.queryByLabelText('Stop after')).toBeNull()
    fireEvent.change(screen.getByLabelText('Stops'), { target: { value: 'after a time' } })
    fireEvent.change(screen.getByLabelText('Stop after'), { target: { value: '1,5' } })
    fireEvent.click(screen.getByText('Add channel'))
    expect(screen.queryByText('Add channel')).toBeNull()
    fireEvent.change(screen.getByLabelText('Name 2'), { target: { value: 'Pressure' } })
    fireEvent.click(screen.getByText('Save set-up'))
    await waitFor(() =>
      expect(changes()[0]?.body).toEqual({
        name: 'Reservoir',
        form: 'logger',
        values: { interval: '60', stop: 'after a time', minutes: '1.5' },
        rows: [{ name: 'Level' }, { name: 'Pressure' }],
        version: 5,
      }),
    )
  })

  it('asks for what follows from what was said, and for what is new as it usually is', async () => {
    const rowFields = [
      field('name', 'Name', {}),
      field('table', 'Lies in', { usual: 'register', kind: 'CHOICE', options: [option('register'), option('coil')] }),
      field('form', 'Laid down as', {
        usual: '32-bit',
        kind: 'CHOICE',
        options: [option('16-bit'), option('32-bit')],
        whenKey: 'table',
        whenValues: ['register'],
      }),
      field('words', 'Word order', {
        usual: 'high',
        kind: 'CHOICE',
        options: [option('high'), option('low')],
        whenKey: 'form',
        whenValues: ['32-bit'],
      }),
      field('noValue', 'No value is', {}),
      field('scale', 'Times', { usual: '1', kind: 'NUMBER' }),
      field('offset', 'Plus', { usual: '0', kind: 'NUMBER' }),
    ]
    answering('GET', '/api/setups/forms', () => [{ ...form, id: 'registers', rowFields }])
    answering('PUT', '/api/setups/s', () => saved)
    const older = {
      ...saved,
      form: 'registers',
      rows: [{ name: 'Level', table: 'register', form: '32-bit', scale: '2', offset: '0' }],
    }
    show(<SetupEditor saved={older} onSaved={() => undefined} />)
    expect(((await screen.findByLabelText('Word order 1')) as HTMLSelectElement).value).toBe('high')
    fireEvent.change(screen.getByLabelText('Lies in 1'), { target: { value: 'coil' } })
    expect(screen.queryByLabelText('Laid down as 1')).toBeNull()
    expect(screen.queryByLabelText('Word order 1')).toBeNull()
    fireEvent.click(screen.getByText('Save set-up'))
    await waitFor(() =>
      expect(changes()[0]?.body).toMatchObject({
        rows: [{ name: 'Level', table: 'coil', noValue: '', scale: '2', offset: '0' }],
      }),
    )
    expect(JSON.stringify(changes()[0]?.body)).not.toContain('words')
  })

  it('keeps what was typed when the server finds it wrong', async () => {
    answering(
      'PUT',
      '/api/setups/s',
      () => new Refusal(422, 'invalid', 'Interval is a number from 0.1 to 86400 s, not "0".'),
    )
    show(<SetupEditor saved={saved} onSaved={() => undefined} />)
    await screen.findByText('Save set-up')
    fireEvent.change(screen.getByLabelText('Interval'), { target: { value: '0' } })
    fireEvent.click(screen.getByText('Save set-up'))
    expect((await screen.findByRole('alert')).textContent).toContain('Interval is a number')
    expect((screen.getByLabelText('Interval') as HTMLInputElement).value).toBe('0')
  })

  it('can start again from an earlier revision', async () => {
    show(<SetupEditor saved={saved} onSaved={() => undefined} />)
    expect((await screen.findByText('1 channel every 60 s.')).textContent).toBeTruthy()
    fireEvent.click(await screen.findByText('Start from this revision'))
    expect((screen.getByLabelText('Interval') as HTMLInputElement).value).toBe('5')
    expect((screen.getByLabelText('Name 1') as HTMLInputElement).value).toBe('Old level')
    expect((screen.getByText('Save set-up') as HTMLButtonElement).disabled).toBe(false)
  })
})
