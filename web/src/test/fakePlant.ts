import type { Level, OutlineRow, PlantNode } from '../api/types'
import { answering } from './fakeServer'

export function node(id: string, parentId: string | null, level: Level, name: string, tag = ''): PlantNode {
  return {
    id,
    parentId,
    level,
    tag,
    name,
    ownName: name,
    technique: level === 'CHECK' ? 'vibration' : '',
    assetClass: '',
    nameplate: {},
  }
}

/** Answers for the plant's outline out of a list of nodes, all of it open. */
export function answeringPlant(plant: () => PlantNode[]) {
  const children = (id: string | null) => plant().filter((other) => other.parentId === id)
  const checksIn = (id: string): PlantNode[] =>
    plant()
      .filter((other) => other.id === id && other.level === 'CHECK')
      .concat(children(id).flatMap((child) => checksIn(child.id)))
  const row = (one: PlantNode): OutlineRow => ({
    node: one,
    children: children(one.id).length,
    isHit: false,
    standing: {
      nodeId: one.id,
      worst: 'NOT_JUDGED',
      pass: 0,
      watch: 0,
      fail: 0,
      notJudged: checksIn(one.id).length,
      worse: 0,
      readAt: null,
      spark: [],
      sparkFail: null,
    },
  })
  const block = (parentId: string | null) => ({ parentId, rows: children(parentId).map(row) })
  const path = (one: PlantNode | undefined): PlantNode[] =>
    one ? [...path(plant().find((other) => other.id === one.parentId)), one] : []
  answering('POST', '/api/outline', () => ({
    blocks: [
      block(null),
      ...plant()
        .filter((one) => children(one.id).length > 0)
        .map((one) => block(one.id)),
    ],
    hits: 0,
    whole: {
      nodeId: '',
      worst: 'NOT_JUDGED',
      pass: 0,
      watch: 0,
      fail: 0,
      notJudged: 0,
      worse: 0,
      readAt: null,
      spark: [],
      sparkFail: null,
    },
    nodes: plant().length,
  }))
  answering('POST', '/api/outline/children', ({ body }) => block((body as { parentId: string }).parentId))
  answering('POST', '/api/outline/checks', ({ body }) => {
    const checks = checksIn((body as { nodeId: string }).nodeId).map((check) => {
      const above = path(check)
      const asset = above.find((one) => one.level === 'ASSET')
      return {
        id: check.id,
        path: above.slice(0, -1).map((one) => one.id),
        technique: check.technique,
        assetTag: asset?.tag ?? '',
        assetName: asset?.name ?? '',
        point: above.at(-2)?.name ?? '',
        check: check.name,
      }
    })
    return { checks, all: checks.length }
  })
}
