import type { KeyboardEvent } from 'react'
import { useState } from 'react'
import type { PlantNode } from '../api/types'
import { dismiss, say, useNotice } from '../parts/notices'
import { words } from '../words/en'
import { childrenOf, labelOf, type Row } from './outline'
import type { usePlantEdit } from './usePlantEdit'

interface Outline {
  nodes: PlantNode[]
  rows: Row[]
  chosen: Row | undefined
  choose: (id: string) => void
  setOpen: (id: string, open: boolean) => void
  beginSibling: (row: Row) => void
  beginRename: (row: Row) => void
  edit: ReturnType<typeof usePlantEdit>
}

/** The outliner by keyboard alone. Returns the handler and what is cut. */
export function useOutlineKeys(outline: Outline) {
  const [cut, setCut] = useState<string | null>(null)
  const notice = useNotice()
  const { nodes, rows, chosen, choose, setOpen, edit } = outline

  const step = (by: number) => {
    const at = rows.findIndex((row) => row === chosen)
    const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))]
    if (next) choose(next.node.id)
  }
  const moveAmongSiblings = (row: Row, by: -1 | 1) => {
    const siblings = childrenOf(nodes).get(row.node.parentId) ?? []
    const at = siblings.findIndex((node) => node.id === row.node.id)
    if (at + by < 0 || at + by >= siblings.length) return
    const after = by < 0 ? siblings[at - 2] : siblings[at + 1]
    edit.move.mutate({ id: row.node.id, parentId: row.node.parentId, afterId: after?.id ?? null })
  }
  const paste = (row: Row) => {
    const moving = nodes.find((node) => node.id === cut)
    if (!moving) return
    const sameLevel = moving.level === row.node.level && moving.level !== 'ASSET'
    const last = (childrenOf(nodes).get(row.node.id) ?? []).at(-1)
    edit.move.mutate(
      sameLevel
        ? { id: moving.id, parentId: row.node.parentId, afterId: row.node.id }
        : { id: moving.id, parentId: row.node.id, afterId: last?.id ?? null },
    )
    setCut(null)
  }
  const remove = (row: Row) => {
    const at = rows.indexOf(row)
    const next = rows.slice(at + 1).find((other) => other.depth <= row.depth) ?? rows[at - 1]
    edit.remove.mutate(row.node)
    if (next) choose(next.node.id)
  }
  const inward = (row: Row) => {
    if (row.hasChildren && !row.isOpen) setOpen(row.node.id, true)
    else step(1)
  }
  const outward = (row: Row) => {
    if (row.isOpen) setOpen(row.node.id, false)
    else if (row.node.parentId) choose(row.node.parentId)
  }
  const control = (event: KeyboardEvent, row: Row) => {
    if (event.key === 'x') {
      setCut(row.node.id)
      say(words.plant.cut(labelOf(row.node)))
    } else if (event.key === 'v') paste(row)
    else if (event.key === 'z') {
      notice?.undo?.()
      dismiss()
    } else return false
    return true
  }
  const plain = (event: KeyboardEvent, row: Row) => {
    if (event.key === 'ArrowDown') step(1)
    else if (event.key === 'ArrowUp') step(-1)
    else if (event.key === 'Home') step(-rows.length)
    else if (event.key === 'End') step(rows.length)
    else if (event.key === 'ArrowRight') inward(row)
    else if (event.key === 'ArrowLeft') outward(row)
    else if (event.key === 'Enter') outline.beginSibling(row)
    else if (event.key === 'F2') outline.beginRename(row)
    else if (event.key === 'Delete') remove(row)
    else return false
    return true
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (!chosen || event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement) return
    let used = false
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      moveAmongSiblings(chosen, event.key === 'ArrowUp' ? -1 : 1)
      used = true
    } else if (event.ctrlKey || event.metaKey) used = control(event, chosen)
    else if (!event.altKey) used = plain(event, chosen)
    if (used) event.preventDefault()
  }
  return { onKeyDown, cut }
}
