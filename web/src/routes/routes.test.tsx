import { answering, changes, forget, Refusal } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { RouteView } from '../api/types'
import { answeringPlant, node } from '../test/fakePlant'
import { show } from '../test/show'
import { RouteEditor } from './RouteEditor'

const nodes = [
  node('p1', null, 'ASSET', 'Well pump 1', 'P-101'),
  node('d1', 'p1', 'POINT', 'Drive end'),
  node('v1', 'd1', 'CHECK', 'Velocity'),
  node('a1', 'd1', 'CHECK', 'Acceleration'),
  node('p2', null, 'ASSET', 'Well pump 2', 'P-102'),
  node('d2', 'p2', 'POINT', 'Drive end'),
  node('v2', 'd2', 'CHECK', 'Velocity'),
]

const box = (name: RegExp) => screen.getAllByRole('checkbox', { name })[0] as HTMLInputElement
const walk = () => screen.getAllByRole('row').map((row) => row.textContent)

beforeEach(() => {
  answering('GET', '/api/instruments', () => [])
  answering('GET', '/api/schedule', () => ({ today: '2026-11-23', days: 42, routes: [] }))
  answering('GET', '/api/schedule/people', () => [{ name: 'technician', displayName: 'Tarn Hollin' }])
  answeringPlant(() => nodes)
})

afterEach(() => {
  cleanup()
  forget()
})

describe('planning a route', () => {
  it('ticks all checks below a row, and shows a row of which only some are ticked as such', async () => {
    show(<RouteEditor saved={undefined} onSaved={() => undefined} />)
    await screen.findByText('Select checks on the left. They are visited from top to bottom.')
    await screen.findByText('Well pump 1')
    fireEvent.click(box(/Well pump 1/))
    await waitFor(() => expect(walk()).toHaveLength(2))
    expect(walk()).toEqual([
      expect.stringContaining('Drive end Velocity'),
      expect.stringContaining('Drive end Acceleration'),
    ])
    fireEvent.click(box(/^Acceleration/))
    expect(box(/Well pump 1/).checked).toBe(false)
    expect(box(/Well pump 1/).indeterminate).toBe(true)
  })

  it('orders the stops and saves them as they stand', async () => {
    show(<RouteEditor saved={undefined} onSaved={() => undefined} />)
    await screen.findByText('Well pump 1')
    fireEvent.click(box(/Well pump 1/))
    await waitFor(() => expect(walk()).toHaveLength(2))
    fireEvent.click(box(/Well pump 2/))
    await waitFor(() => expect(walk()).toHaveLength(3))
    fireEvent.click(screen.getByLabelText('Move up 3'))
    fireEvent.click(screen.getByLabelText('Remove 3'))
    fireEvent.change(screen.getByLabelText('Name of the route'), { target: { value: 'Monthly' } })
    fireEvent.change(screen.getByLabelText('Instruction 2'), { target: { value: 'Mind the guard' } })
    fireEvent.change(screen.getByLabelText('Interval … days'), { target: { value: '7' } })
    fireEvent.click(screen.getByText('Save route'))
    await waitFor(() =>
      expect(changes()[0]?.body).toEqual({
        name: 'Monthly',
        checkIds: ['v1', 'v2'],
        instructions: { v2: 'Mind the guard' },
        pictures: {},
        everyDays: 7,
        firstDue: expect.any(String) as unknown,
        assignedTo: null,
        version: 0,
      }),
    )
    expect(changes()[0]?.path).toMatch(/^\/api\/routes\/[0-9a-f-]{36}$/)
  })

  it('moves a stop by Alt and an arrow key, and puts all in the order of the shortest walk', async () => {
    answering('POST', '/api/routes/shortest-walk', () => ({
      checkIds: ['v2', 'v1', 'a1'],
      areas: [{ id: 'area', name: 'Wellfield', stops: 3 }],
      assetVisitsBefore: 3,
      assetVisits: 2,
    }))
    show(<RouteEditor saved={undefined} onSaved={() => undefined} />)
    await screen.findByText('Well pump 1')
    fireEvent.click(box(/Well pump 1/))
    await waitFor(() => expect(walk()).toHaveLength(2))
    fireEvent.keyDown(screen.getByLabelText('Instruction 2'), { key: 'ArrowUp', altKey: true })
    expect(walk()).toEqual([expect.stringContaining('Acceleration'), expect.stringContaining('Velocity')])
    fireEvent.click(box(/Well pump 2/))
    await waitFor(() => expect(walk()).toHaveLength(3))
    fireEvent.click(screen.getByText('Shortest route'))
    expect(await screen.findByText('You visit 2 assets instead of 3.')).toBeTruthy()
    fireEvent.click(screen.getByText('Use this order'))
    expect(walk()).toEqual([
      expect.stringContaining('P-102'),
      expect.stringContaining('Velocity'),
      expect.stringContaining('Acceleration'),
    ])
  })

  it('shows at each stop the picture its point is seen on', async () => {
    answering('POST', '/api/pictures/showing', () => ({ pictures: { d1: 'pic' } }))
    answering('PUT', '/api/routes/r', () => new Refusal(422, 'invalid', 'Not now.'))
    show(<RouteEditor saved={undefined} onSaved={() => undefined} />)
    await screen.findByText('Well pump 1')
    fireEvent.click(box(/Well pump 1/))
    await waitFor(() => expect(walk()).toHaveLength(2))
    fireEvent.click(screen.getByText('Pictures for all stops'))
    await waitFor(() => expect(screen.getByLabelText('Picture 1').querySelector('img')).toBeTruthy())
    fireEvent.change(screen.getByLabelText('Name of the route'), { target: { value: 'Monthly' } })
    fireEvent.click(screen.getByText('Save route'))
    await waitFor(() =>
      expect(changes().find((change) => change.method === 'PUT')?.body).toMatchObject({
        pictures: { v1: 'pic', a1: 'pic' },
      }),
    )
  })

  it('cannot be saved without a name or without stops, nor when nothing changed', async () => {
    const saved: RouteView = {
      id: 'r',
      name: 'Monthly',
      stops: [
        {
          checkId: 'v1',
          path: ['p1', 'd1'],
          assetTag: 'P-101',
          assetName: '',
          point: '',
          check: '',
          memoryBytes: 1,
          instruction: 'Mind the guard',
          pictureId: null,
          isByHand: false,
        },
      ],
      gone: 1,
      memoryBytes: 70_000,
      minutes: 0.8,
      revision: 2,
      everyDays: null,
      firstDue: null,
      assignedTo: null,
      loaded: [],
      version: 4,
    }
    answering('PUT', '/api/routes/r', () => new Refusal(409, 'stale', 'The route was changed by someone else.'))
    show(<RouteEditor saved={saved} onSaved={() => undefined} />)
    const save = () => screen.getByText('Save route') as HTMLButtonElement
    expect(await screen.findByText('1 of its checks were removed from the plant.')).toBeTruthy()
    expect(save().disabled).toBe(true)
    fireEvent.change(screen.getByLabelText('Name of the route'), { target: { value: ' ' } })
    expect(save().disabled).toBe(true)
    fireEvent.change(screen.getByLabelText('Name of the route'), { target: { value: 'Weekly' } })
    fireEvent.click(save())
    expect((await screen.findByRole('alert')).textContent).toBe('The route was changed by someone else.')
    expect(changes()[0]?.body).toEqual({
      name: 'Weekly',
      checkIds: ['v1'],
      instructions: { v1: 'Mind the guard' },
      pictures: {},
      everyDays: null,
      firstDue: null,
      assignedTo: null,
      version: 4,
    })
  })
})
