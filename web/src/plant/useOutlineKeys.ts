import type { ClipboardEvent, KeyboardEvent } from 'react'
import { useEffect, useRef, useState } from 'react'
import { type Action, type Pressed, isTyping, runByKey, useLatestActions } from '../actions/actions'
import { dismiss, say } from '../parts/notices'
import type { Wording } from '../words/i18n'
import { t } from '../words/t'
import {
  type Blocks,
  childrenIn,
  inwardTarget,
  labelOf,
  outwardTarget,
  pasteTarget,
  type Row,
  type Target,
  stood,
} from './outline'
import { useSession } from './plantHistory'
import type { usePlantEdit } from './usePlantEdit'

interface Outline {
  blocks: Blocks
  rows: Row[]
  chosen: Row | undefined
  /** What an action is about: the chosen row, or all that are selected, in the order of the rows. */
  selected: Row[]
  choose: (id: string, how?: 'alone' | 'range') => void
  selectSiblings: () => void
  mayEdit: boolean
  setOpen: (id: string, open: boolean) => void
  beginSibling: (row: Row) => void
  beginRename: (row: Row) => void
  pasteRows: (text: string, row: Row) => void
  beginStamping: () => void
  edit: ReturnType<typeof usePlantEdit>
}

/** What was cut or copied, and the text that stands in the system's clipboard for it. */
interface Clip {
  how: 'move' | 'copy'
  ids: string[]
  level: Row['node']['level']
  text: string
  seen: ReturnType<typeof stood>
}

/** An action of the outliner, as it is declared here. */
interface Declared {
  id: keyof Wording['plant']['keys']
  chords: readonly string[]
  run: (pressed?: Pressed) => void
  /** Whether it is found by its keys alone. */
  isHidden?: boolean
  /** Whether it changes nothing. */
  isLooking?: boolean
  /** Whether it needs no chosen row. */
  isWithoutRow?: boolean
}

/** The outliner by keyboard alone. Returns the handlers and what is cut. */
export function useOutlineKeys(outline: Outline) {
  const [clip, setClip] = useState<Clip | null>(null)
  const session = useSession()
  const { blocks, rows, chosen, selected, choose, setOpen, edit } = outline

  const step = (by: number, how: 'alone' | 'range') => {
    const at = rows.findIndex((row) => row === chosen)
    const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))]
    if (next) choose(next.node.id, how)
  }
  const ids = selected.map((row) => row.node.id)
  const shift = (target: Target | null) => {
    if (target) edit.move.mutate({ ids, target, seen: stood(rows, ids) })
    else say(t('plant:noPlace'))
  }
  const moveAmongSiblings = (row: Row, by: -1 | 1) => {
    const siblings = childrenIn(blocks, row.node.parentId).map((line) => line.node.id)
    const moving = siblings.filter((id) => ids.includes(id))
    const first = siblings.indexOf(moving[0] ?? '')
    const last = siblings.indexOf(moving.at(-1) ?? '')
    if (moving.length === 0 || first + Math.min(by, 0) < 0 || last + Math.max(by, 0) >= siblings.length) return
    const afterId = by < 0 ? (siblings[first - 2] ?? null) : (siblings[last + 1] ?? null)
    edit.move.mutate({ ids: moving, target: { parentId: row.node.parentId, afterId }, seen: stood(rows, moving) })
  }
  const take = (how: Clip['how']) => {
    const text = selected.map((row) => labelOf(row.node)).join('\n')
    const level = selected[0]?.node.level
    if (!level) return
    setClip({ how, ids, level, text, seen: stood(rows, ids) })
    // Where the browser keeps its clipboard from us, what was taken here is pasted all the same.
    void navigator.clipboard?.writeText(text).catch(() => undefined)
    say(
      how === 'move'
        ? t('plant:cut', { n: ids.length, name: text.split('\n')[0] ?? '' })
        : t('plant:copied', { n: ids.length, name: text.split('\n')[0] ?? '' }),
    )
  }
  const pasteNodes = (row: Row, from: Clip) => {
    const target = pasteTarget(row, from.level, blocks)
    if (!target) return say(t('plant:noPlace'))
    if (from.how === 'move') edit.move.mutate({ ids: from.ids, target, seen: from.seen })
    else edit.copy.mutate({ ids: from.ids, target })
    if (target.parentId) setOpen(target.parentId, true)
    if (from.how === 'move') setClip(null)
  }
  const duplicate = () => {
    const last = selected.at(-1)
    if (last) edit.copy.mutate({ ids, target: { parentId: last.node.parentId, afterId: last.node.id } })
  }
  const remove = () => {
    const at = rows.indexOf(selected.at(-1) as Row)
    const depth = selected[0]?.depth ?? 0
    const next = rows.slice(at + 1).find((other) => other.depth <= depth) ?? rows[rows.indexOf(selected[0] as Row) - 1]
    edit.remove.mutate(ids)
    if (next) choose(next.node.id)
  }
  const inward = (row: Row) => {
    if (row.hasChildren && !row.isOpen) setOpen(row.node.id, true)
    else step(1, 'alone')
  }
  const outward = (row: Row) => {
    if (row.isOpen) setOpen(row.node.id, false)
    else if (row.node.parentId) choose(row.node.parentId)
  }
  const undo = () => {
    dismiss()
    if (session.last) edit.undo.mutate(session.last)
    else say(t('plant:nothingToUndo'))
  }
  const redo = () => {
    if (session.lastUndone) edit.redo.mutate(session.lastUndone)
    else say(t('plant:nothingToRedo'))
  }
  const once = (row: Row | undefined, act: (row: Row) => void) => () => row && act(row)
  const byKey = (act: (how: 'alone' | 'range') => void) => (pressed?: Pressed) =>
    act(pressed?.shiftKey ? 'range' : 'alone')
  const walk = { id: 'rows', isHidden: true, isLooking: true } as const
  const fold = { id: 'fold', isHidden: true, isLooking: true } as const
  const all: Declared[] = [
    { ...walk, chords: ['ArrowDown'], run: byKey((how) => step(1, how)) },
    { ...walk, chords: ['ArrowUp'], run: byKey((how) => step(-1, how)) },
    { ...walk, chords: ['PageDown'], run: byKey((how) => step(20, how)) },
    { ...walk, chords: ['PageUp'], run: byKey((how) => step(-20, how)) },
    { ...walk, chords: ['Home'], run: byKey((how) => step(-rows.length, how)) },
    { ...walk, chords: ['End'], run: byKey((how) => step(rows.length, how)) },
    { ...walk, chords: ['Escape'], run: once(chosen, (row) => choose(row.node.id)) },
    { ...fold, chords: ['ArrowRight'], run: once(chosen, inward) },
    { ...fold, chords: ['ArrowLeft'], run: once(chosen, outward) },
    { id: 'add', chords: ['Enter'], run: once(chosen, outline.beginSibling) },
    { id: 'rename', chords: ['F2'], run: once(chosen, outline.beginRename) },
    { id: 'duplicate', chords: ['Ctrl+d'], run: duplicate },
    { id: 'clipboard', chords: ['Ctrl+x'], run: () => take('move'), isHidden: true },
    { id: 'clipboard', chords: ['Ctrl+c'], run: () => take('copy'), isHidden: true },
    { id: 'all', chords: ['Ctrl+a'], run: outline.selectSiblings },
    { id: 'move', chords: ['Alt+ArrowUp'], run: once(chosen, (row) => moveAmongSiblings(row, -1)), isHidden: true },
    { id: 'move', chords: ['Alt+ArrowDown'], run: once(chosen, (row) => moveAmongSiblings(row, 1)), isHidden: true },
    {
      id: 'indent',
      chords: ['Alt+ArrowRight'],
      run: once(chosen, (row) => shift(inwardTarget(row, blocks))),
      isHidden: true,
    },
    {
      id: 'indent',
      chords: ['Alt+ArrowLeft'],
      run: once(chosen, (row) => shift(outwardTarget(row, rows))),
      isHidden: true,
    },
    { id: 'stamp', chords: ['t'], run: outline.beginStamping },
    { id: 'remove', chords: ['Delete'], run: remove },
    { id: 'undo', chords: ['Ctrl+z'], run: undo, isWithoutRow: true },
    { id: 'redo', chords: ['Ctrl+y', 'Ctrl+Z'], run: redo, isWithoutRow: true },
    { id: 'level', chords: [], run: () => undefined, isHidden: true },
  ]
  const actions = all.map((one): Action => ({
    id: `plant.${one.id}`,
    does: `plant:keys.${one.id}.does`,
    keys: `plant:keys.${one.id}.keys`,
    chords: one.chords,
    may: (outline.mayEdit || one.isLooking === true) && (chosen !== undefined || one.isWithoutRow === true),
    isCommand: !one.isHidden,
    run: one.run,
  }))
  useLatestActions(actions)

  const onKeyDown = (event: KeyboardEvent) => {
    if (isTyping(event.target)) return
    runByKey(actions, event)
  }
  // When the row that had the focus is gone, its keys still go to the outliner.
  const lost = useRef(onKeyDown)
  useEffect(() => {
    lost.current = onKeyDown
  })
  useEffect(() => {
    const listen = (event: globalThis.KeyboardEvent) => {
      if (event.target === document.body) lost.current(event as unknown as KeyboardEvent)
    }
    window.addEventListener('keydown', listen)
    return () => window.removeEventListener('keydown', listen)
  }, [])
  /** Rows taken here come back as rows; any other text is read as a table, and shown before it becomes rows. */
  const onPaste = (event: ClipboardEvent) => {
    if (!chosen || !outline.mayEdit || isTyping(event.target)) return
    event.preventDefault()
    const text = event.clipboardData.getData('text/plain').replaceAll('\r\n', '\n')
    if (clip && (text.trim() === clip.text.trim() || text === '')) pasteNodes(chosen, clip)
    else if (text.trim()) outline.pasteRows(text, chosen)
  }
  return { onKeyDown, onPaste, cut: clip?.how === 'move' ? clip.ids : [] }
}
