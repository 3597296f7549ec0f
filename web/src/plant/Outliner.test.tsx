import { answering, changes, forget, Refusal } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { queries } from '../api/queries'
import type { Level, PlantNode } from '../api/types'
import { show } from '../test/show'
import { Outliner } from './Outliner'

let plant: PlantNode[]

function node(id: string, parentId: string | null, level: Level, name: string, tag = ''): PlantNode {
  return { id, parentId, level, tag, name, nameplate: '', technique: level === 'CHECK' ? 'vibration' : '', version: 3 }
}

function Plant({ mayEdit = true }: { mayEdit?: boolean }) {
  const nodes = useQuery(queries.plant())
  const [chosen, setChosen] = useState<string>()
  if (!nodes.data) return null
  return <Outliner nodes={nodes.data} standings={new Map()} shown={null} chosenId={chosen} choose={setChosen} mayEdit={mayEdit} />
}

const row = (name: string) => {
  const found = screen.getAllByRole('row').find((candidate) => candidate.textContent?.includes(name) && candidate.dataset.node)
  if (!found) throw new Error(`no row ${name}`)
  return found
}
const press = (key: string, more: Record<string, unknown> = {}) => fireEvent.keyDown(document.activeElement ?? document.body, { key, ...more })

beforeEach(() => {
  plant = [
    node('c', null, 'CLIENT', 'Marrowdale Works'),
    node('s', 'c', 'SITE', 'Bottling works'),
    node('a', 's', 'AREA', 'Wellfield'),
    node('p1', 'a', 'ASSET', 'Well pump 1', 'P-101'),
    node('p2', 'a', 'ASSET', 'Well pump 2', 'P-102'),
    node('d', 'p1', 'POINT', 'Drive end'),
  ]
  answering('GET', '/api/plant', () => plant)
  answering('GET', '/api/plant/techniques', () => [{ id: 'vibration', name: 'Vibration', presets: ['Velocity', 'Acceleration'] }])
  answering('POST', '/api/plant/nodes', ({ body }) => {
    const wanted = body as PlantNode
    plant = [...plant, { ...node(wanted.id, wanted.parentId, wanted.level, wanted.name, wanted.tag) }]
    return { node: plant.at(-1), changeId: 'change-1' }
  })
})

afterEach(() => {
  cleanup()
  forget()
})

describe('the outliner by keyboard', () => {
  it('goes through the rows, opens and closes them', async () => {
    show(<Plant />)
    fireEvent.click(await screen.findByText('Wellfield'))
    press('ArrowDown')
    expect(row('Well pump 1').getAttribute('aria-selected')).toBe('true')
    press('ArrowLeft')
    expect(screen.queryByText('Drive end')).toBeNull()
    expect(row('Well pump 1').getAttribute('aria-expanded')).toBe('false')
    press('ArrowRight')
    expect(screen.getByText('Drive end')).toBeTruthy()
    press('End')
    expect(row('Well pump 2').getAttribute('aria-selected')).toBe('true')
  })

  it('adds a sibling with Enter, takes the tag off the name and goes on with the next', async () => {
    show(<Plant />)
    fireEvent.click(await screen.findByText('Well pump 2'))
    press('Enter')
    const input = screen.getByLabelText('New asset')
    fireEvent.change(input, { target: { value: 'P-103 Well pump 3' } })
    fireEvent.keyDown(input, { key: 'Enter' })
    await screen.findByText('Well pump 3')
    await waitFor(() => expect(changes()[0]?.body).toMatchObject({ parentId: 'a', afterId: 'p2', level: 'ASSET', tag: 'P-103', name: 'Well pump 3' }))
    expect(screen.getByLabelText('New asset')).toBe(document.activeElement)
    fireEvent.keyDown(screen.getByLabelText('New asset'), { key: 'Escape' })
    expect(screen.queryByLabelText('New asset')).toBeNull()
  })

  it('goes deeper with Tab, to ready-made checks beneath a point', async () => {
    show(<Plant />)
    fireEvent.click(await screen.findByText('Drive end'))
    press('Enter')
    fireEvent.keyDown(screen.getByLabelText('New point'), { key: 'Tab' })
    const choice = await screen.findByLabelText('New check')
    await screen.findByText('Acceleration')
    fireEvent.change(choice, { target: { value: 'Acceleration' } })
    fireEvent.keyDown(choice, { key: 'Enter' })
    await waitFor(() => expect(changes()[0]?.body).toMatchObject({ parentId: 'd', level: 'CHECK', technique: 'vibration', preset: 'Acceleration' }))
  })

  it('renames with the version it saw, and Escape keeps the old name', async () => {
    answering('PATCH', '/api/plant/nodes/p1', () => ({ node: plant[3], changeId: 'change-2' }))
    show(<Plant />)
    fireEvent.click(await screen.findByText('Well pump 1'))
    press('F2')
    fireEvent.keyDown(screen.getByLabelText('Rename'), { key: 'Escape' })
    expect(changes()).toHaveLength(0)
    fireEvent.click(screen.getByText('Well pump 1'))
    press('F2')
    const input = screen.getByLabelText('Rename')
    fireEvent.change(input, { target: { value: 'P-101 Old well pump' } })
    fireEvent.keyDown(input, { key: 'Enter' })
    await waitFor(() => expect(changes()[0]?.body).toMatchObject({ tag: 'P-101', name: 'Old well pump', version: 3 }))
  })

  it('moves among neighbours and to where it is pasted', async () => {
    answering('POST', '/api/plant/nodes/p2/move', () => ({ node: plant[4], changeId: 'change-3' }))
    show(<Plant />)
    fireEvent.click(await screen.findByText('Well pump 2'))
    press('ArrowUp', { altKey: true })
    await waitFor(() => expect(changes()[0]?.body).toEqual({ parentId: 'a', afterId: null }))
    press('x', { ctrlKey: true })
    fireEvent.click(screen.getByText('Well pump 1'))
    press('v', { ctrlKey: true })
    await waitFor(() => expect(changes()[1]?.body).toEqual({ parentId: 'p1', afterId: 'd' }))
  })

  it('removes with Delete and brings back with Ctrl Z', async () => {
    answering('DELETE', '/api/plant/nodes/p2', () => ({ node: plant[4], changeId: 'change-4' }))
    answering('POST', '/api/plant/changes/change-4/undo', () => undefined)
    show(<Plant />)
    fireEvent.click(await screen.findByText('Well pump 2'))
    press('Delete')
    await screen.findByText('P-102 Well pump 2 removed.')
    press('z', { ctrlKey: true })
    await waitFor(() => expect(changes().map((change) => change.path)).toContain('/api/plant/changes/change-4/undo'))
  })

  it('says why something was refused', async () => {
    answering('DELETE', '/api/plant/nodes/p2', () => new Refusal(404, 'not-found', 'That part of the plant is not here any more.'))
    show(<Plant />)
    fireEvent.click(await screen.findByText('Well pump 2'))
    press('Delete')
    expect(await screen.findByText('That part of the plant is not here any more.')).toBeTruthy()
  })

  it('begins an empty plant with its client', async () => {
    plant = []
    show(<Plant />)
    expect(await screen.findByLabelText('New client')).toBe(document.activeElement)
  })

  it('keeps up with fast typing: a row deeper than one the server does not know yet', async () => {
    plant = []
    show(<Plant />)
    const type = (label: string, text: string) => {
      fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
      fireEvent.keyDown(screen.getByLabelText(label), { key: 'Enter' })
    }
    await screen.findByLabelText('New client')
    type('New client', 'Marrowdale Works')
    await screen.findByText('Marrowdale Works')
    fireEvent.keyDown(screen.getByLabelText('New client'), { key: 'Tab' })
    type('New site', 'Bottling works')
    await screen.findByText('Bottling works')
    fireEvent.keyDown(screen.getByLabelText('New site'), { key: 'Tab' })
    type('New area', 'Wellfield')
    await waitFor(() => expect(changes()).toHaveLength(3))
    const bodies = changes().map((change) => change.body as PlantNode)
    expect(bodies.map((body) => body.name)).toEqual(['Marrowdale Works', 'Bottling works', 'Wellfield'])
    expect(bodies[1]?.parentId).toBe(bodies[0]?.id)
    expect(bodies[2]?.parentId).toBe(bodies[1]?.id)
    await waitFor(() => expect(row('Wellfield').getAttribute('aria-level')).toBe('3'))
  })

  it('only shows, to somebody who may only look', async () => {
    show(<Plant mayEdit={false} />)
    fireEvent.click(await screen.findByText('Well pump 2'))
    press('Delete')
    press('Enter')
    fireEvent.doubleClick(screen.getByText('Well pump 2'))
    expect(changes()).toHaveLength(0)
    expect(screen.queryByRole('textbox')).toBeNull()
  })
})
