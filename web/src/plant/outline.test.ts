import { describe, expect, it } from 'vitest'
import type { Level, PlantNode, Standing } from '../api/types'
import { behind, deeper, type DraftPlace, draftIndex, parseLabel, rowsOf, shallower, shownBy, siblingOf } from './outline'

function node(id: string, parentId: string | null, level: Level): PlantNode {
  return { id, parentId, level, tag: '', name: id, nameplate: '', technique: '', version: 0 }
}

const nodes = [
  node('client', null, 'CLIENT'),
  node('site', 'client', 'SITE'),
  node('area', 'site', 'AREA'),
  node('pump', 'area', 'ASSET'),
  node('point', 'pump', 'POINT'),
  node('velocity', 'point', 'CHECK'),
  node('fan', 'area', 'ASSET'),
]

const ids = (rows: ReturnType<typeof rowsOf>) => rows.map((row) => row.node.id)

describe('rows', () => {
  it('leave out what lies in closed rows', () => {
    expect(ids(rowsOf(nodes, new Set(['pump']), null))).toEqual(['client', 'site', 'area', 'pump', 'fan'])
  })

  it('show under a filter only what leads to a hit, though it was closed', () => {
    const standing = (nodeId: string, worst: Standing['worst']) => [nodeId, { nodeId, worst } as Standing] as const
    const shown = shownBy('FAIL', nodes, new Map([standing('velocity', 'FAIL'), standing('fan', 'FAIL')]))
    expect(ids(rowsOf(nodes, new Set(['client']), shown))).toEqual(['client', 'site', 'area', 'pump', 'point', 'velocity'])
  })
})

describe('a row being typed', () => {
  const rows = rowsOf(nodes, new Set(), null)
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
    const place = shallower(siblingOf(pump, 3), nodes)
    expect(place).toMatchObject({ parentId: 'site', afterId: 'area', level: 'AREA', depth: 2 })
    expect(draftIndex(place, rows)).toBe(6)
  })

  it('cannot go out of the plant nor into a check', () => {
    const client: DraftPlace = siblingOf(nodes[0] as PlantNode, 0)
    expect(shallower(client, nodes)).toEqual(client)
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
