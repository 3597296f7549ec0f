import { answering, changes, forget, Refusal } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { PlantNode } from '../api/types'
import { answeringPlant, node } from '../test/fakePlant'
import { show } from '../test/show'
import { ClashDialog } from './ClashDialog'
import { Outliner } from './Outliner'
import { noFilter } from './looking'
import { useOutline } from './useOutline'
import { option } from '../test/option'

let plant: PlantNode[]

function Plant({ mayEdit = true }: { mayEdit?: boolean }) {
  const [chosen, setChosen] = useState<string>()
  const outline = useOutline(noFilter, chosen)
  if (!outline.plant) return null
  return (
    <>
      <Outliner outline={outline} chosenId={chosen} choose={setChosen} mayEdit={mayEdit} />
      <ClashDialog />
    </>
  )
}

const committed = (changeId: string, sentence: string) => ({ changeId, sentence, added: [] })
const row = (name: string) => {
  const found = screen
    .getAllByRole('row')
    .find((candidate) => candidate.textContent?.includes(name) && candidate.dataset.node)
  if (!found) throw new Error(`no row ${name}`)
  return found
}
const press = (key: string, more: Record<string, unknown> = {}) =>
  fireEvent.keyDown(document.activeElement ?? document.body, { key, ...more })

const paste = (text: string) =>
  fireEvent.paste(document.activeElement ?? document.body, { clipboardData: { getData: () => text } })

beforeEach(() => {
  plant = [
    node('c', null, 'CLIENT', 'Marrowdale Works'),
    node('s', 'c', 'SITE', 'Bottling works'),
    node('a', 's', 'AREA', 'Wellfield'),
    node('p1', 'a', 'ASSET', 'Well pump 1', 'P-101'),
    node('p2', 'a', 'ASSET', 'Well pump 2', 'P-102'),
    node('d', 'p1', 'POINT', 'Drive end'),
  ]
  answeringPlant(() => plant)
  answering('GET', '/api/plant/techniques', () => [
    {
      id: 'vibration',
      name: 'Vibration',
      presets: [option('Velocity'), option('Acceleration')],
      settings: [],
      results: [],
    },
  ])
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
    await waitFor(() =>
      expect(changes()[0]?.body).toMatchObject({
        parentId: 'a',
        afterId: 'p2',
        level: 'ASSET',
        tag: 'P-103',
        name: 'Well pump 3',
      }),
    )
    expect(screen.getByLabelText('New asset')).toBe(document.activeElement)
    fireEvent.keyDown(screen.getByLabelText('New asset'), { key: 'Escape' })
    expect(screen.queryByLabelText('New asset')).toBeNull()
  })

  it('goes deeper with Tab, to ready-made checks below a point', async () => {
    show(<Plant />)
    fireEvent.click(await screen.findByText('Drive end'))
    press('Enter')
    fireEvent.keyDown(screen.getByLabelText('New point'), { key: 'Tab' })
    const choice = await screen.findByLabelText('New check')
    await screen.findByText('Acceleration')
    fireEvent.change(choice, { target: { value: 'Acc' } })
    fireEvent.keyDown(choice, { key: 'Enter' })
    await waitFor(() =>
      expect(changes()[0]?.body).toMatchObject({
        parentId: 'd',
        level: 'CHECK',
        technique: 'vibration',
        preset: 'Acceleration',
      }),
    )
  })

  it('makes three right checks of three fast entries', async () => {
    show(<Plant />)
    fireEvent.click(await screen.findByText('Drive end'))
    press('Enter')
    fireEvent.keyDown(screen.getByLabelText('New point'), { key: 'Tab' })
    await screen.findByText('Acceleration')
    for (const typed of ['V', 'acc', 'vel']) {
      // Without a pause, as fast hands do it: nothing is waited for.
      fireEvent.change(screen.getByRole('combobox', { name: 'New check' }), { target: { value: typed } })
      fireEvent.keyDown(screen.getByRole('combobox', { name: 'New check' }), { key: 'Enter' })
    }
    await waitFor(() => expect(changes()).toHaveLength(3))
    expect(changes().map((change) => (change.body as { preset: string }).preset)).toEqual([
      'Velocity',
      'Acceleration',
      'Velocity',
    ])
    fireEvent.change(screen.getByRole('combobox', { name: 'New check' }), { target: { value: 'nothing' } })
    expect(screen.getByText('No check begins with “nothing”.')).toBeTruthy()
    fireEvent.keyDown(screen.getByRole('combobox', { name: 'New check' }), { key: 'Enter' })
    expect(changes()).toHaveLength(3)
  })

  it('renames from what it saw, and Escape keeps the old name', async () => {
    answering('POST', '/api/plant/alter', () => committed('change-2', 'Named P-101 Old well pump'))
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
    await waitFor(() =>
      expect(changes()[0]?.body).toMatchObject({
        nodes: [{ node: 'p1', facets: { name: { from: 'Well pump 1', to: 'Old well pump' } } }],
      }),
    )
  })

  it('shows both where somebody else was quicker, and takes the one that is chosen', async () => {
    const clash = {
      node: 'p1',
      label: 'P-101 Pump A',
      facet: 'name',
      seen: 'Well pump 1',
      theirs: 'Pump A',
      yours: 'Pump B',
      theirsSaid: 'Pump A',
      yoursSaid: 'Pump B',
      by: 'reviewer',
      at: '2026-11-23T09:42:00Z',
    }
    let refused = false
    answering('POST', '/api/plant/alter', () => {
      if (refused) return committed('change-3', 'Named P-101 Pump B')
      refused = true
      return new Refusal(409, 'contradiction', 'Somebody else changed the same thing.', { clashes: [clash] })
    })
    show(<Plant />)
    fireEvent.click(await screen.findByText('Well pump 1'))
    press('F2')
    fireEvent.change(screen.getByLabelText('Rename'), { target: { value: 'P-101 Pump B' } })
    fireEvent.keyDown(screen.getByLabelText('Rename'), { key: 'Enter' })
    expect(await screen.findByText('Pump A')).toBeTruthy()
    fireEvent.click(screen.getByText('Use mine'))
    await waitFor(() =>
      expect(changes()[1]?.body).toMatchObject({
        nodes: [{ node: 'p1', facets: { name: { from: 'Pump A', to: 'Pump B' } } }],
      }),
    )
  })

  it('moves among neighbours, deeper and to where it is pasted', async () => {
    answering('POST', '/api/plant/move', () => committed('change-3', 'Moved'))
    show(<Plant />)
    fireEvent.click(await screen.findByText('Well pump 2'))
    press('ArrowUp', { altKey: true })
    await waitFor(() => expect(changes()[0]?.body).toMatchObject({ ids: ['p2'], parentId: 'a', afterId: null }))
    press('ArrowRight', { altKey: true })
    await waitFor(() => expect(changes()[1]?.body).toMatchObject({ ids: ['p2'], parentId: 'p1', afterId: 'd' }))
    press('x', { ctrlKey: true })
    fireEvent.click(screen.getByText('Wellfield'))
    paste('P-102 Well pump 2')
    await waitFor(() => expect(changes()[2]?.body).toMatchObject({ ids: ['p2'], parentId: 'a', afterId: 'p2' }))
  })

  it('asks who moves what somebody else moved first, and moves it then', async () => {
    const clash = {
      node: 'p2',
      label: 'P-102',
      facet: 'parent',
      theirs: 'elsewhere',
      yours: 'p1',
      theirsSaid: 'Roof',
      yoursSaid: 'P-101',
      by: 'reviewer',
      at: '2026-11-23T09:42:00Z',
    }
    answering('POST', '/api/plant/move', () =>
      changes().length === 1
        ? new Refusal(409, 'contradiction', 'Somebody else moved it.', { clashes: [clash] })
        : committed('change-4', 'Moved'),
    )
    show(<Plant />)
    fireEvent.click(await screen.findByText('Well pump 2'))
    press('ArrowRight', { altKey: true })
    expect(await screen.findByText('Roof')).toBeTruthy()
    expect(changes()[0]?.body).toMatchObject({ seen: [{ id: 'p2', parentId: 'a' }] })
    fireEvent.click(screen.getByText('Use mine'))
    await waitFor(() =>
      expect(changes()[1]?.body).toMatchObject({
        ids: ['p2'],
        parentId: 'p1',
        seen: [{ id: 'p2', parentId: 'elsewhere' }],
      }),
    )
  })

  it('duplicates and copies several at once', async () => {
    answering('POST', '/api/plant/copy', () => committed('change-3', 'Copied'))
    show(<Plant />)
    fireEvent.click(await screen.findByText('Well pump 1'))
    press('ArrowLeft')
    press('ArrowDown', { shiftKey: true })
    press('d', { ctrlKey: true })
    await waitFor(() => expect(changes()[0]?.body).toMatchObject({ ids: ['p1', 'p2'], parentId: 'a', afterId: 'p2' }))
    press('c', { ctrlKey: true })
    fireEvent.click(screen.getByText('Well pump 1'))
    paste('P-101 Well pump 1\nP-102 Well pump 2')
    await waitFor(() => expect(changes()[1]?.body).toMatchObject({ ids: ['p1', 'p2'], parentId: 'a', afterId: 'p1' }))
  })

  it('removes with Delete, brings back with Ctrl Z and does it again with Ctrl Y', async () => {
    answering('POST', '/api/plant/remove', () => committed('change-4', 'Removed P-102 Well pump 2'))
    answering('POST', '/api/plant/changes/change-4/undo', () => undefined)
    answering('POST', '/api/plant/changes/change-4/redo', () => undefined)
    show(<Plant />)
    fireEvent.click(await screen.findByText('Well pump 2'))
    press('Delete')
    await screen.findByText('Removed P-102 Well pump 2.')
    press('z', { ctrlKey: true })
    await screen.findByText('Undone.')
    press('y', { ctrlKey: true })
    await screen.findByText('Redone.')
    expect(changes().map((change) => change.path)).toEqual([
      '/api/plant/remove',
      '/api/plant/changes/change-4/undo',
      '/api/plant/changes/change-4/redo',
    ])
  })

  it('says why something was refused', async () => {
    answering(
      'POST',
      '/api/plant/remove',
      () => new Refusal(404, 'not-found', 'That part of the plant is not here any more.'),
    )
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
