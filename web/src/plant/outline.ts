import type { Level, OutlineRow, PlantNode } from '../api/types'

/** As much of the plant as is open: the rows that stand in each open node, under its id; the clients under {@link TOP}. */
export type Blocks = Readonly<Record<string, readonly OutlineRow[]>>

/** Where the clients stand. */
export const TOP = ''

/** A row of the outliner. */
export interface Row {
  node: PlantNode
  depth: number
  hasChildren: boolean
  isOpen: boolean
  line: OutlineRow
}

/** Where a new row is going to stand. */
export interface DraftPlace {
  /**
   * The row it was begun from; it is shown below that row and all that is open under it. Whole, not by its id: a row typed a
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

export const levels: Level[] = ['CLIENT', 'SITE', 'AREA', 'SYSTEM', 'ASSET', 'PART', 'POINT', 'CHECK']

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

/** Whether a row of one level may directly hold one of the other; null is the plant itself. The server decides, this only offers. */
export function mayHold(parent: Level | null, child: Level): boolean {
  if (parent === null) return child === 'CLIENT'
  if (child === 'CHECK') return parent === 'POINT'
  const nests = parent === 'SYSTEM' || parent === 'ASSET' || parent === 'PART'
  return levels.indexOf(child) > levels.indexOf(parent) || (nests && parent === child)
}

export function childrenIn(blocks: Blocks, id: string | null): readonly OutlineRow[] {
  return blocks[id ?? TOP] ?? []
}

/** The rows to show, from the outermost down to where it is folded. */
export function rowsOf(blocks: Blocks, folded: ReadonlySet<string>): Row[] {
  const rows: Row[] = []
  const walk = (id: string | null, depth: number) => {
    for (const line of childrenIn(blocks, id)) {
      const isOpen = line.children > 0 && blocks[line.node.id] !== undefined && !folded.has(line.node.id)
      rows.push({ node: line.node, depth, hasChildren: line.children > 0, isOpen, line })
      if (isOpen) walk(line.node.id, depth + 1)
    }
  }
  walk(null, 0)
  return rows
}

export function siblingOf(node: PlantNode, depth: number): DraftPlace {
  return {
    anchor: { id: node.id, level: node.level, depth },
    parentId: node.parentId,
    afterId: node.id,
    level: node.level,
    depth,
  }
}

/** Behind a row that was just typed, to type the next. */
export function behind(place: DraftPlace, id: string): DraftPlace {
  return { ...place, anchor: { id, level: place.level, depth: place.depth }, afterId: id }
}

export const firstClient: DraftPlace = { anchor: null, parentId: null, afterId: null, level: 'CLIENT', depth: 0 }

/** Tab: below the row it was begun from, at the usual level there; a check holds nothing. */
export function deeper(place: DraftPlace): DraftPlace {
  const { anchor } = place
  const level = anchor && usualChild[anchor.level]
  return level ? { anchor, parentId: anchor.id, afterId: null, level, depth: anchor.depth + 1 } : place
}

/** Shift Tab: behind the row it would have stood in. */
export function shallower(place: DraftPlace, rows: Row[]): DraftPlace {
  const parent = rows.find((row) => row.node.id === place.parentId)?.node
  if (!parent) return place
  return {
    anchor: place.anchor,
    parentId: parent.parentId,
    afterId: parent.id,
    level: parent.level,
    depth: place.depth - 1,
  }
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

/** Where rows stand, so that somebody who moves them is told if they were moved meanwhile. */
export function stood(rows: Row[], ids: string[]): { id: string; parentId: string | null }[] {
  return rows
    .filter((row) => ids.includes(row.node.id))
    .map((row) => ({ id: row.node.id, parentId: row.node.parentId }))
}

export function labelOf(node: { tag: string; name: string }): string {
  return `${node.tag} ${node.name}`.trim()
}

/** Where rows come that are pasted or dropped on another; null where they do not belong. */
export interface Target {
  parentId: string | null
  afterId: string | null
}

/** Behind a row of its own level, otherwise into it as the last. */
export function pasteTarget(row: Row, level: Level, blocks: Blocks): Target | null {
  const inside = { parentId: row.node.id, afterId: childrenIn(blocks, row.node.id).at(-1)?.node.id ?? null }
  if (row.node.level === level) return { parentId: row.node.parentId, afterId: row.node.id }
  return mayHold(row.node.level, level) ? inside : null
}

/** Deeper: into the row before it among its siblings. */
export function inwardTarget(row: Row, blocks: Blocks): Target | null {
  const siblings = childrenIn(blocks, row.node.parentId)
  const before = siblings[siblings.findIndex((line) => line.node.id === row.node.id) - 1]?.node
  if (!before || !mayHold(before.level, row.node.level)) return null
  return { parentId: before.id, afterId: childrenIn(blocks, before.id).at(-1)?.node.id ?? null }
}

/** Shallower: behind the row it stands in. */
export function outwardTarget(row: Row, rows: Row[]): Target | null {
  const parent = rows.find((candidate) => candidate.node.id === row.node.parentId)
  if (!parent) return null
  const above = rows.find((candidate) => candidate.node.id === parent.node.parentId)?.node.level ?? null
  return mayHold(above, row.node.level) ? { parentId: parent.node.parentId, afterId: parent.node.id } : null
}

/** The rows between two, both included, wherever they stand. */
export function between(rows: Row[], from: string, to: string): string[] {
  const a = rows.findIndex((row) => row.node.id === from)
  const b = rows.findIndex((row) => row.node.id === to)
  return rows.slice(Math.min(a, b), Math.max(a, b) + 1).map((row) => row.node.id)
}

/** Whether one of these rows stands in another node, too: the plant was changed since that was read. */
export function standsTwice(blocks: Blocks, parentId: string, rows: readonly OutlineRow[]): boolean {
  const ids = new Set(rows.map((row) => row.node.id))
  return Object.entries(blocks).some(([id, lines]) => id !== parentId && lines.some((line) => ids.has(line.node.id)))
}

/** Without some rows, wherever they stand. */
export function withoutRows(blocks: Blocks, rows: readonly OutlineRow[]): Blocks {
  const ids = new Set(rows.map((row) => row.node.id))
  return Object.fromEntries(
    Object.entries(blocks).map(([id, lines]) => [
      id,
      lines.some((line) => ids.has(line.node.id)) ? lines.filter((line) => !ids.has(line.node.id)) : lines,
    ]),
  )
}
