import type { Level, PlantNode, Standing } from '../api/types'

/** A row of the outliner. */
export interface Row {
  node: PlantNode
  depth: number
  hasChildren: boolean
  isOpen: boolean
}

/** Where a new row is going to stand. */
export interface DraftPlace {
  /**
   * The row it was begun from; it is shown beneath that row and all that is open under it. Whole, not by its id: a row typed a
   * moment ago may be on its way to the server and back.
   */
  anchor: { id: string; level: Level; depth: number } | null
  parentId: string | null
  afterId: string | null
  level: Level
  depth: number
}

/** A ready-made check as it is chosen. */
export interface NewCheck {
  technique: string
  preset: string
}

export type Filter = 'all' | 'FAIL' | 'WATCH' | 'NOT_JUDGED'

const usualChild: Record<Level, Level | null> = {
  CLIENT: 'SITE',
  SITE: 'AREA',
  AREA: 'ASSET',
  SYSTEM: 'ASSET',
  ASSET: 'POINT',
  PART: 'POINT',
  POINT: 'CHECK',
  CHECK: null,
}

export function childrenOf(nodes: PlantNode[]): Map<string | null, PlantNode[]> {
  const children = new Map<string | null, PlantNode[]>()
  for (const node of nodes) {
    const siblings = children.get(node.parentId)
    if (siblings) siblings.push(node)
    else children.set(node.parentId, [node])
  }
  return children
}

/** The rows to show: what is open, and under a filter only what leads to a hit. */
export function rowsOf(nodes: PlantNode[], closed: ReadonlySet<string>, shown: ReadonlySet<string> | null): Row[] {
  const children = childrenOf(nodes)
  const rows: Row[] = []
  const walk = (parentId: string | null, depth: number) => {
    for (const node of children.get(parentId) ?? []) {
      if (shown && !shown.has(node.id)) continue
      const hasChildren = children.has(node.id)
      const isOpen = hasChildren && (shown !== null || !closed.has(node.id))
      rows.push({ node, depth, hasChildren, isOpen })
      if (isOpen) walk(node.id, depth + 1)
    }
  }
  walk(null, 0)
  return rows
}

/** Every node that a filter keeps: the checks that match and all above them. Null keeps everything. */
export function shownBy(filter: Filter, nodes: PlantNode[], standings: Map<string, Standing>): Set<string> | null {
  if (filter === 'all') return null
  const byId = new Map(nodes.map((node) => [node.id, node]))
  const shown = new Set<string>()
  for (const node of nodes) {
    if (node.level === 'CHECK' && standings.get(node.id)?.worst === filter) {
      for (let up: PlantNode | undefined = node; up; up = up.parentId ? byId.get(up.parentId) : undefined) shown.add(up.id)
    }
  }
  return shown
}

export function siblingOf(node: PlantNode, depth: number): DraftPlace {
  return { anchor: { id: node.id, level: node.level, depth }, parentId: node.parentId, afterId: node.id, level: node.level, depth }
}

/** Behind a row that was just typed, to type the next. */
export function behind(place: DraftPlace, id: string): DraftPlace {
  return { ...place, anchor: { id, level: place.level, depth: place.depth }, afterId: id }
}

export const firstClient: DraftPlace = { anchor: null, parentId: null, afterId: null, level: 'CLIENT', depth: 0 }

/** Tab: beneath the row it was begun from, at the usual level there; a check holds nothing. */
export function deeper(place: DraftPlace): DraftPlace {
  const { anchor } = place
  const level = anchor && usualChild[anchor.level]
  return level ? { anchor, parentId: anchor.id, afterId: null, level, depth: anchor.depth + 1 } : place
}

/** Shift Tab: behind the row it would have stood in. */
export function shallower(place: DraftPlace, nodes: PlantNode[]): DraftPlace {
  const parent = nodes.find((node) => node.id === place.parentId)
  if (!parent) return place
  return { anchor: place.anchor, parentId: parent.parentId, afterId: parent.id, level: parent.level, depth: place.depth - 1 }
}

/** Index in the rows behind which a draft is shown; -1 for the very first place. */
export function draftIndex(place: DraftPlace, rows: Row[]): number {
  const anchor = rows.findIndex((row) => row.node.id === place.anchor?.id)
  const anchorRow = rows[anchor]
  if (!anchorRow) return rows.length - 1
  const outermost = Math.min(anchorRow.depth, place.depth)
  let last = anchor
  while ((rows[last + 1]?.depth ?? -1) > outermost) last++
  return last
}

/** "P-101 Well pump 1" is a tag and a name, where the level carries tags. */
export function parseLabel(text: string, level: Level): { tag: string; name: string } {
  const trimmed = text.trim()
  const match = level === 'ASSET' || level === 'SYSTEM' ? /^([A-Z]{1,5}-?\d[\w-]*)(?:\s+(.*))?$/.exec(trimmed) : null
  return match ? { tag: match[1] ?? '', name: match[2] ?? '' } : { tag: '', name: trimmed }
}

export function labelOf(node: PlantNode): string {
  return `${node.tag} ${node.name}`.trim()
}
