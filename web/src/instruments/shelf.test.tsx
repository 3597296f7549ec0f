import { answering, asked, changes, forget, Refusal } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { ConnectionLine } from '../api/types'
import { show } from '../test/show'
import { vh2 } from '../test/vh2'
import { ConnectDialog } from './ConnectDialog'
import { RenameConnection } from './RenameConnection'
import { RunButton } from './RunButton'
import { Shelf } from './Shelf'

afterEach(() => {
  cleanup()
  forget()
})

describe('the shelf', () => {
  const line = (state: ConnectionLine['state']): ConnectionLine => ({
    id: 'c',
    name: 'Anna’s handheld',
    reach: { kind: 'NETWORK', place: '127.0.0.1', number: 5025 },
    said: '127.0.0.1 port 5025',
    instrumentId: 'i',
    state,
    sentence: '',
  })

  it('shows who is there by word, and who else answers', async () => {
    const candidate = {
      reach: { kind: 'LINE' as const, place: '/dev/ttyUSB0', number: 115200 },
      said: '/dev/ttyUSB0, 115200 baud',
      who: '',
      asksForPassCode: true,
    }
    answering('GET', '/api/connections', () => ({
      connections: [line('CONNECTED')],
      candidates: [candidate],
      lines: [],
    }))
    answering('GET', '/api/sensors', () => [])
    const onCandidate = vi.fn()
    show(
      <Shelf list={[vh2]} chosenId="i" onChoose={() => undefined} onAdd={() => undefined} onCandidate={onCandidate} />,
    )
    expect(await screen.findByText('connected')).toBeTruthy()
    expect(screen.getByText('Anna’s handheld')).toBeTruthy()
    expect(await screen.findByText('asks for its pass code')).toBeTruthy()
    fireEvent.click(screen.getByText('Connect'))
    expect(onCandidate).toHaveBeenCalledWith(candidate)
  })

  it('gives a connection another name, and says why it cannot', async () => {
    answering(
      'PATCH',
      '/api/connections/c',
      () => new Refusal(422, 'invalid', 'A connection has a name of up to 80 characters.'),
    )
    show(<RenameConnection line={line('CONNECTED')} />)
    fireEvent.click(await screen.findByText('Rename'))
    fireEvent.change(screen.getByRole('textbox', { name: 'Rename' }), { target: { value: 'Workshop handheld' } })
    fireEvent.click(screen.getByText('Save'))
    expect((await screen.findByRole('alert')).textContent).toContain('up to 80 characters')
    answering('PATCH', '/api/connections/c', () => undefined)
    fireEvent.click(screen.getByText('Save'))
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
    expect(changes().at(-1)?.body).toEqual({ name: 'Workshop handheld' })
  })

  it('begins a run where none goes on, ends the one that does, and offers neither where none is recorded', async () => {
    answering('POST', '/api/instruments/i/run', () => undefined)
    show(<RunButton instrumentId="i" isRunning={false} />)
    fireEvent.click(await screen.findByText('Start run'))
    await waitFor(() => expect(changes()[0]?.body).toEqual({ begin: true }))
    cleanup()
    show(<RunButton instrumentId="i" isRunning />)
    fireEvent.click(await screen.findByText('End run'))
    await waitFor(() => expect(changes()[1]?.body).toEqual({ begin: false }))
    cleanup()
    show(<RunButton instrumentId="i" isRunning={null} />)
    expect(screen.queryByRole('button')).toBeNull()
  })

  it('connects by a serial line with its speed', async () => {
    answering('GET', '/api/connections', () => ({ connections: [], candidates: [], lines: ['/dev/ttyUSB0'] }))
    answering('POST', '/api/connections', () => vh2)
    const onAdded = vi.fn()
    show(<ConnectDialog candidate={null} onClose={() => undefined} onAdded={onAdded} />)
    await waitFor(() => expect(asked.some((one) => one.path === '/api/connections')).toBe(true))
    fireEvent.change(await screen.findByLabelText('Connection'), { target: { value: 'LINE' } })
    fireEvent.change(screen.getByLabelText('Pass code'), { target: { value: '4711' } })
    fireEvent.change(screen.getByLabelText('Serial port of the server'), { target: { value: '/dev/ttyUSB0' } })
    fireEvent.click(screen.getByText('Connect'))
    await waitFor(() => expect(onAdded).toHaveBeenCalledWith('i'))
    expect(changes()[0]?.body).toEqual({
      name: '',
      kind: 'LINE',
      host: null,
      port: null,
      place: '/dev/ttyUSB0',
      baud: 115200,
      passCode: '4711',
    })
  })
})
