import { describe, expect, it } from 'vitest'
import type { Level, OutlineRow, PlantNode } from '../api/types'
import { node as named } from '../test/fakePlant'
import {
  behind,
  between,
  type Blocks,
  deeper,
  type DraftPlace,
  draftIndex,
  inwardTarget,
  outwardTarget,
  parseLabel,
  pasteTarget,
  type Row,
  rowsOf,
  shallower,
  siblingOf,
  standsTwice,
  TOP,
  withoutRows,
} from './outline'

const node = (id: string, parentId: string | null, level: Level) => named(id, parentId, level, id)

const nodes = [
  node('client', null, 'CLIENT'),
  node('site', 'client', 'SITE'),
  node('area', 'site', 'AREA'),
  node('pump', 'area', 'ASSET'),
  node('point', 'pump', 'POINT'),
  node('velocity', 'point', 'CHECK'),
  node('fan', 'area', 'ASSET'),
]

const children = (id: string | null) => nodes.filter((one) => one.parentId === id)
const line = (one: PlantNode): OutlineRow => ({
  node: one,
  children: children(one.id).length,
  isHit: false,
  standing: {} as OutlineRow['standing'],
})
const blocks: Blocks = Object.fromEntries(
  [null, ...nodes.map((one) => one.id)].map((id) => [id ?? TOP, children(id).map(line)]),
)
const rows = rowsOf(blocks, new Set())
const row = (id: string) => rows.find((one) => one.node.id === id) as Row
const ids = (some: Row[]) => some.map((one) => one.node.id)

describe('rows', () => {
  it('leave out what lies in folded rows, and in rows that were never opened', () => {
    expect(ids(rowsOf(blocks, new Set(['pump'])))).toEqual(['client', 'site', 'area', 'pump', 'fan'])
    expect(ids(rowsOf({ [TOP]: blocks[TOP] ?? [] }, new Set()))).toEqual(['client'])
  })

  it('between two are all that are shown there, whichever was taken first', () => {
    expect(between(rows, 'fan', 'point')).toEqual(['point', 'velocity', 'fan'])
  })
})

describe('rows that were moved meanwhile', () => {
  const moved = blocks['pump'] ?? []

  it('leave where they stood when they are read where they are', () => {
    expect(standsTwice(blocks, 'fan', moved)).toBe(true)
    expect(withoutRows(blocks, moved)['pump']).toEqual([])
    expect(withoutRows(blocks, moved)['area']).toBe(blocks['area'])
  })

  it('are none where nothing was moved', () => {
    expect(standsTwice(blocks, 'pump', moved)).toBe(false)
  })
})

describe('where rows come', () => {
  it('pasted: behind one of their own level, into one that may hold them, nowhere else', () => {
    expect(pasteTarget(row('pump'), 'ASSET', blocks)).toEqual({ parentId: 'area', afterId: 'pump' })
    expect(pasteTarget(row('area'), 'ASSET', blocks)).toEqual({ parentId: 'area', afterId: 'fan' })
    expect(pasteTarget(row('velocity'), 'ASSET', blocks)).toBeNull()
  })

  it('one level deeper: into the row before, where that may hold it', () => {
    expect(inwardTarget(row('fan'), blocks)).toEqual({ parentId: 'pump', afterId: 'point' })
    expect(inwardTarget(row('pump'), blocks)).toBeNull()
  })

  it('one level up: behind the row they stand in, where that is allowed', () => {
    expect(outwardTarget(row('pump'), rows)).toEqual({ parentId: 'site', afterId: 'area' })
    expect(outwardTarget(row('velocity'), rows)).toBeNull()
    expect(outwardTarget(row('site'), rows)).toBeNull()
  })
})

describe('a row being typed', () => {
  const pump = nodes[3] as PlantNode

  it('stands behind all that lies in the row it was begun from', () => {
    expect(draftIndex(siblingOf(pump, 3), rows)).toBe(5)
  })

  it('goes deeper with Tab, once, to the usual level', () => {
    const place = deeper(siblingOf(pump, 3))
    expect(place).toMatchObject({ parentId: 'pump', level: 'POINT', depth: 4 })
    expect(deeper(place)).toEqual(place)
  })

  it('goes deeper under a row typed just now, before anything is known of it elsewhere', () => {
    const next = behind(siblingOf(pump, 3), 'typed-just-now')
    expect(deeper(next)).toMatchObject({ parentId: 'typed-just-now', level: 'POINT', depth: 4 })
  })

  it('goes out with Shift Tab and stands behind its former parent', () => {
    const place = shallower(siblingOf(pump, 3), rows)
    expect(place).toMatchObject({ parentId: 'site', afterId: 'area', level: 'AREA', depth: 2 })
    expect(draftIndex(place, rows)).toBe(6)
  })

  it('cannot go out of the plant nor into a check', () => {
    const client: DraftPlace = siblingOf(nodes[0] as PlantNode, 0)
    expect(shallower(client, rows)).toEqual(client)
    const check = siblingOf(nodes[5] as PlantNode, 5)
    expect(deeper(check)).toEqual(check)
  })
})

describe('a typed label', () => {
  it.each([
    ['P-101 Well pump 1', 'ASSET', 'P-101', 'Well pump 1'],
    ['P-101', 'ASSET', 'P-101', ''],
    ['Well pump 1', 'ASSET', '', 'Well pump 1'],
    ['P-101 Well pump 1', 'AREA', '', 'P-101 Well pump 1'],
  ] as const)('%s as %s', (text, level, tag, name) => {
    expect(parseLabel(text, level)).toEqual({ tag, name })
  })
})
