import { type DragEvent, useState } from 'react'
import { type Blocks, childrenIn, mayHold, type Row, type Target } from './outline'

/** Where the dragged rows would come. */
export interface Drop {
  row: string
  where: 'before' | 'behind' | 'into'
  target: Target
}

function dropAt(event: DragEvent, row: Row, rows: Row[], blocks: Blocks, dragged: Row[]): Drop | null {
  const level = dragged[0]?.node.level
  if (!level || dragged.some((one) => one.node.id === row.node.id)) return null
  const box = event.currentTarget.getBoundingClientRect()
  const share = box.height > 0 ? (event.clientY - box.top) / box.height : 0.5
  const parentLevel = rows.find((candidate) => candidate.node.id === row.node.parentId)?.node.level ?? null
  const mayBeSibling = mayHold(parentLevel, level)
  const mayGoInto = mayHold(row.node.level, level)
  const siblings = childrenIn(blocks, row.node.parentId).map((line) => line.node.id)
  const sibling = (where: 'before' | 'behind'): Drop => ({
    row: row.node.id,
    where,
    target: {
      parentId: row.node.parentId,
      afterId: where === 'behind' ? row.node.id : (siblings[siblings.indexOf(row.node.id) - 1] ?? null),
    },
  })
  if (mayGoInto && (!mayBeSibling || (share > 0.3 && share < 0.7))) {
    return {
      row: row.node.id,
      where: 'into',
      target: { parentId: row.node.id, afterId: childrenIn(blocks, row.node.id).at(-1)?.node.id ?? null },
    }
  }
  return mayBeSibling ? sibling(share < 0.5 ? 'before' : 'behind') : null
}

/** Rows dragged to another place, marked before they are let go where they may go. */
export function useRowDrag(
  rows: Row[],
  blocks: Blocks,
  selected: Row[],
  choose: (id: string) => void,
  move: (ids: string[], target: Target) => void,
) {
  const [dragged, setDragged] = useState<Row[]>([])
  const [drop, setDrop] = useState<Drop | null>(null)
  const end = () => {
    setDragged([])
    setDrop(null)
  }
  const handlers = (row: Row) => ({
    onDragStart: (event: DragEvent) => {
      const isSelected = selected.some((one) => one.node.id === row.node.id)
      if (!isSelected) choose(row.node.id)
      setDragged(isSelected ? selected : [row])
      event.dataTransfer.effectAllowed = 'move'
      event.dataTransfer.setData('text/plain', row.node.id)
    },
    onDragOver: (event: DragEvent) => {
      const next = dropAt(event, row, rows, blocks, dragged)
      if (next) event.preventDefault()
      if (next?.row !== drop?.row || next?.where !== drop?.where) setDrop(next)
    },
    onDrop: (event: DragEvent) => {
      event.preventDefault()
      const next = dropAt(event, row, rows, blocks, dragged)
      if (next)
        move(
          dragged.map((one) => one.node.id),
          next.target,
        )
      end()
    },
    onDragEnd: end,
  })
  return { drop, handlers }
}
