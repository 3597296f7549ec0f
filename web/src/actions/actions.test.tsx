import { cleanup, fireEvent, screen } from '@testing-library/react'
import { useState } from 'react'
import { beforeEach, expect, it } from 'vitest'
import type { LooseReading } from '../api/types'
import { FindOrDo } from '../parts/FindOrDo'
import { Walk } from '../routes/Walk'
import { answering } from '../test/fakeServer'
import { show } from '../test/show'
import { type Action, runByKey, useLatestActions } from './actions'
import { Tray } from '../visit/Tray'
import { useZoom } from '../viewers/useZoom'
import { KeyList } from './KeyList'

function View({ mayEdit }: { mayEdit: boolean }) {
  const [done, setDone] = useState(0)
  const declared: Action[] = [
    {
      id: 'view.remove',
      does: 'plant:keys.remove.does',
      keys: 'plant:keys.remove.keys',
      chords: ['Delete'],
      may: mayEdit,
      isCommand: true,
      run: () => setDone(done + 1),
    },
    {
      id: 'view.down',
      does: 'plant:keys.rows.does',
      keys: 'plant:keys.rows.keys',
      chords: ['ArrowDown'],
      may: true,
      isCommand: false,
      run: (pressed) => setDone(pressed?.shiftKey ? 20 : 10),
    },
  ]
  useLatestActions(declared)
  return (
    <button type="button" data-testid="view" onKeyDown={(event) => runByKey(declared, event)}>
      done {done}
    </button>
  )
}

beforeEach(cleanup)

function shown(mayEdit: boolean) {
  for (const path of ['routes', 'instruments', 'live/sources', 'certificates'])
    answering('GET', `/api/${path}`, () => [])
  show(
    <>
      <View mayEdit={mayEdit} />
      <KeyList />
      <FindOrDo />
    </>,
  )
}

it('an action is declared once, and done by its key, told by "?" and found among the commands', async () => {
  shown(true)
  const view = await screen.findByTestId('view')
  fireEvent.keyDown(view, { key: 'Delete' })
  expect(view.textContent).toBe('done 1')
  fireEvent.keyDown(view, { key: 'Delete', ctrlKey: true })
  expect(view.textContent).toBe('done 1')
  fireEvent.keyDown(view, { key: 'ArrowDown', shiftKey: true })
  expect(view.textContent).toBe('done 20')
  fireEvent.keyDown(window, { key: '?' })
  expect(await screen.findByText('delete with everything below')).toBeTruthy()
  expect(screen.getByText('Delete')).toBeTruthy()
  fireEvent.keyDown(screen.getByRole('dialog'), { key: 'Escape' })
  fireEvent.keyDown(window, { key: 'k', ctrlKey: true })
  fireEvent.change(await screen.findByPlaceholderText('Type a tag, a name or a room'), {
    target: { value: 'everything' },
  })
  fireEvent.click(await screen.findByText('delete with everything below'))
  expect(view.textContent).toBe('done 21')
})

it('what may not be done is done by no key, and is no command', async () => {
  shown(false)
  const view = await screen.findByTestId('view')
  fireEvent.keyDown(view, { key: 'Delete' })
  expect(view.textContent).toBe('done 0')
  fireEvent.keyDown(window, { key: 'k', ctrlKey: true })
  fireEvent.change(await screen.findByPlaceholderText('Type a tag, a name or a room'), {
    target: { value: 'everything' },
  })
  expect(await screen.findByText('No match.')).toBeTruthy()
  expect(screen.queryByText('delete with everything below')).toBeNull()
})

function Plot() {
  const zoom = useZoom({ from: 0, to: 10 })
  return (
    <button type="button" data-testid="plot" onKeyDown={zoom.onKeyDown}>
      {zoom.shown.from} to {zoom.shown.to}
    </button>
  )
}

it('the keys of a plot, a walk and a tray are declared as those of the plant are', async () => {
  show(
    <>
      <Plot />
      <Walk stops={[]} onChange={() => undefined} />
      <Tray
        tray={[
          {
            id: 'a',
            proposals: [],
            discardedBecause: null,
            value: null,
            filled: {},
            takenAt: '2026-05-04T06:00:00Z',
          } as unknown as LooseReading,
        ]}
        mayEdit
      />
      <KeyList />
    </>,
  )
  const plot = await screen.findByTestId('plot')
  fireEvent.keyDown(plot, { key: '+' })
  expect(plot.textContent).toBe('2 to 8')
  fireEvent.keyDown(plot, { key: 'ArrowRight' })
  expect(plot.textContent).toBe('3.5 to 9.5')
  fireEvent.keyDown(plot, { key: '-', ctrlKey: true })
  expect(plot.textContent).toBe('3.5 to 9.5')
  fireEvent.keyDown(plot, { key: '0' })
  expect(plot.textContent).toBe('0 to 10')
  fireEvent.keyDown(document.body, { key: '?' })
  for (const does of ['zoom the plot', 'move a stop up or down', 'discard a loose reading'])
    expect(await screen.findByText(does)).toBeTruthy()
})
