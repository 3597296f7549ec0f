import { useVirtualizer } from '@tanstack/react-virtual'
import { Fragment, type MouseEvent, useCallback, useEffect, useRef, useState } from 'react'
import { t } from '../words/t'
import { DraftRow } from './DraftRow'
import {
  behind,
  between,
  type Blocks,
  childrenIn,
  deeper,
  type DraftPlace,
  draftIndex,
  firstClient,
  type NewCheck,
  parseLabel,
  type Row,
  shallower,
  siblingOf,
  stood,
} from './outline'
import { OutlineRowView } from './OutlineRowView'
import { RenameRow } from './RenameRow'
import { useOutlineKeys } from './useOutlineKeys'
import type { useOutline } from './useOutline'
import { type Facets, usePlantEdit } from './usePlantEdit'
import { useRowDrag } from './useRowDrag'

interface Props {
  outline: ReturnType<typeof useOutline>
  chosenId: string | undefined
  choose: (id: string) => void
  onSelect?: (ids: string[]) => void
  pasteRows?: (text: string, row: Row) => void
  beginStamping?: (row: Row) => void
  mayEdit: boolean
}

const FINGER_ROW = 44
const POINTER_ROW = 29

/** The plant as rows that can be typed, and as a ledger of how everything stands. Only the rows in view are drawn. */
export function Outliner({ outline, chosenId, choose, onSelect, pasteRows, beginStamping, mayEdit }: Props) {
  const { rows, setOpen, plant } = outline
  const blocks: Blocks = plant?.blocks ?? {}
  const [begun, setDraft] = useState<DraftPlace | null>(null)
  const [renaming, setRenaming] = useState<string | null>(null)
  const [range, setRange] = useState<{ anchor: string; ids: readonly string[] } | null>(null)
  const edit = usePlantEdit(outline.key, (parentId) => parentId !== null && choose(parentId))
  const scroller = useRef<HTMLDivElement>(null)
  const draft = begun ?? (plant?.nodes === 0 && rows.length === 0 && mayEdit ? firstClient : null)
  const chosen = rows.find((row) => row.node.id === chosenId) ?? rows[0]
  const selectedIds = range?.ids.includes(chosen?.node.id ?? '') ? range.ids : chosen ? [chosen.node.id] : []
  const selected = rows.filter((row) => selectedIds.includes(row.node.id))
  const draftAt = draft ? draftIndex(draft, rows) : -2

  const select = (anchor: string, ids: readonly string[]) => {
    setRange({ anchor, ids })
    onSelect?.([...ids])
  }
  const chooseAndFocus = (id: string, how: 'alone' | 'range' | 'toggle' = 'alone') => {
    const anchor = how === 'alone' ? id : (range?.anchor ?? chosen?.node.id ?? id)
    if (how === 'alone') select(id, [id])
    else if (how === 'range') select(anchor, between(rows, anchor, id))
    else select(id, selectedIds.includes(id) ? [...selectedIds.filter((one) => one !== id), id] : [...selectedIds, id])
    choose(id)
    focus(id)
  }
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => (matchMedia('(pointer: coarse)').matches ? FINGER_ROW : POINTER_ROW),
    getItemKey: (index) => rows[index]?.node.id ?? index,
    overscan: 12,
  })
  const indexOf = (id: string) => rows.findIndex((row) => row.node.id === id)
  const focus = useCallback(
    (id: string) => {
      const at = indexOf(id)
      if (at >= 0) virtual.scrollToIndex(at)
      const drawn = () => scroller.current?.querySelector<HTMLElement>(`[data-node="${id}"]`)
      if (drawn()) drawn()?.focus({ preventScroll: true })
      else requestAnimationFrame(() => drawn()?.focus({ preventScroll: true }))
    },
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the rows of the moment are meant
    [rows],
  )
  // What was chosen elsewhere is brought into view once it is there.
  const chosenAt = chosenId ? indexOf(chosenId) : -1
  const isThere = chosenAt >= 0
  useEffect(() => {
    if (!isThere || !chosenId) return
    virtual.scrollToIndex(chosenAt)
    // A dialog that closed leaves the focus nowhere; the keys go on where the work is.
    const later = setTimeout(() => document.activeElement === document.body && focus(chosenId), 60)
    return () => clearTimeout(later)
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once for each choice, not whenever rows above it come or go
  }, [chosenId, isThere])

  const keys = useOutlineKeys({
    blocks,
    rows,
    chosen,
    selected,
    mayEdit,
    choose: chooseAndFocus,
    selectSiblings: () =>
      chosen &&
      select(
        chosen.node.id,
        childrenIn(blocks, chosen.node.parentId).map((line) => line.node.id),
      ),
    setOpen: (id, open) => void setOpen(id, open),
    beginSibling: (row) => mayEdit && setDraft(siblingOf(row.node, row.depth)),
    beginRename: (row) => mayEdit && setRenaming(row.node.id),
    pasteRows: pasteRows ?? (() => undefined),
    beginStamping: () => chosen && beginStamping?.(chosen),
    edit,
  })
  const drag = useRowDrag(rows, blocks, selected, choose, (ids, target) =>
    edit.move.mutate({ ids, target, seen: stood(rows, ids) }),
  )
  const commit = (text: string, check: NewCheck | null) => {
    if (!draft) return
    const id = crypto.randomUUID()
    edit.add.mutate({ id, place: draft, text, check })
    if (draft.parentId) void setOpen(draft.parentId, true)
    setRange(null)
    choose(id)
    setDraft(behind(draft, id))
  }
  const endDraft = () => {
    setDraft(null)
    if (chosen) focus(chosen.node.id)
  }
  const rename = (row: Row, text: string | null) => {
    setRenaming(null)
    if (text !== null) {
      const label = parseLabel(text, row.node.level)
      const facets: Facets = {}
      if (label.tag !== row.node.tag) facets.tag = { from: row.node.tag, to: label.tag }
      if (label.name !== row.node.ownName) facets.name = { from: row.node.ownName, to: label.name }
      if (Object.keys(facets).length > 0) edit.alter.mutate({ nodes: [{ node: row.node.id, facets }] })
    }
    focus(row.node.id)
  }
  const onChoose = (row: Row) => (event: MouseEvent) =>
    chooseAndFocus(row.node.id, event.shiftKey ? 'range' : event.ctrlKey || event.metaKey ? 'toggle' : 'alone')

  const draftRow = draft && (
    <DraftRow
      key={`draft ${draft.level === 'CHECK' ? 'check' : 'name'}`}
      place={draft}
      at={draftAt}
      onDeeper={() => {
        const place = deeper(draft)
        if (place.parentId) void setOpen(place.parentId, true)
        setDraft(place)
      }}
      onShallower={() => setDraft(shallower(draft, rows))}
      onCommit={commit}
      onCancel={endDraft}
    />
  )
  const items = virtual.getVirtualItems()
  const above = items[0]?.start ?? 0
  const below = virtual.getTotalSize() - (items.at(-1)?.end ?? 0)
  const isDraftDrawn = draftAt === -1 || items.some((item) => item.index === draftAt)
  return (
    <div ref={scroller} className="h-full overflow-auto">
      <table
        role="treegrid"
        aria-label={t('plant:columns.plant')}
        aria-rowcount={rows.length + 1}
        aria-multiselectable="true"
        className="ledger"
        onKeyDown={keys.onKeyDown}
        onPaste={keys.onPaste}
      >
        <thead className="sticky top-0 z-10 bg-paper">
          <tr>
            <th>{t('plant:columns.plant')}</th>
            <th>{t('plant:columns.worst')}</th>
            <th className="num">{t('plant:columns.read')}</th>
            <th>{t('plant:columns.spark')}</th>
          </tr>
        </thead>
        <tbody>
          <Spacer height={above} />
          {/* One flat list: the row being typed stays the same element, and keeps the focus, while others come before it. */}
          {[
            draftAt === -1 && draftRow,
            ...items.flatMap((item) => {
              const row = rows[item.index]
              if (!row) return []
              return [
                renaming === row.node.id ? (
                  <RenameRow key={row.node.id} row={row} onDone={(text) => rename(row, text)} />
                ) : (
                  <OutlineRowView
                    key={row.node.id}
                    row={row}
                    index={item.index}
                    isChosen={row === chosen}
                    isSelected={selectedIds.includes(row.node.id)}
                    isCut={keys.cut.includes(row.node.id)}
                    mayEdit={mayEdit}
                    drop={drag.drop?.row === row.node.id ? drag.drop : null}
                    drag={drag.handlers(row)}
                    onChoose={onChoose(row)}
                    onToggle={() => void setOpen(row.node.id, !row.isOpen)}
                    onRename={() => mayEdit && setRenaming(row.node.id)}
                  />
                ),
                draftAt === item.index && draftRow,
              ]
            }),
            // Scrolled out of view, it keeps what was typed.
            !isDraftDrawn && draftRow,
          ]}
          <Spacer height={below} />
        </tbody>
      </table>
    </div>
  )
}

function Spacer({ height }: { height: number }) {
  return height > 0 ? (
    <tr aria-hidden="true">
      <td colSpan={4} style={{ height, padding: 0, border: 0 }} />
    </tr>
  ) : (
    <Fragment />
  )
}
