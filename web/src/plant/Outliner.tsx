import { useEffect, useRef, useState } from 'react'
import type { PlantNode, Standing } from '../api/types'
import { Spark } from '../parts/Spark'
import { Tag } from '../parts/Tag'
import { VerdictMark } from '../parts/VerdictMark'
import { age } from '../units/format'
import { words } from '../words/en'
import { DraftRow } from './DraftRow'
import { behind, deeper, type DraftPlace, draftIndex, firstClient, labelOf, type NewCheck, parseLabel, type Row, rowsOf, shallower, siblingOf } from './outline'
import { useOutlineKeys } from './useOutlineKeys'
import { usePlantEdit } from './usePlantEdit'

interface Props {
  nodes: PlantNode[]
  standings: Map<string, Standing>
  shown: Set<string> | null
  chosenId: string | undefined
  choose: (id: string) => void
  mayEdit: boolean
}

/** The plant as rows that can be typed, and as a ledger of how everything stands. */
export function Outliner({ nodes, standings, shown, chosenId, choose, mayEdit }: Props) {
  const [closed, setClosed] = useState<ReadonlySet<string>>(new Set())
  const [begun, setDraft] = useState<DraftPlace | null>(null)
  const [renaming, setRenaming] = useState<string | null>(null)
  const edit = usePlantEdit()
  const rows = rowsOf(nodes, closed, shown)
  const draft = begun ?? (nodes.length === 0 && mayEdit ? firstClient : null)
  const chosen = rows.find((row) => row.node.id === chosenId) ?? rows[0]
  const table = useRef<HTMLTableElement>(null)

  const setOpen = (id: string, open: boolean) => {
    const next = new Set(closed)
    if (open) next.delete(id)
    else next.add(id)
    setClosed(next)
  }
  const chooseAndFocus = (id: string) => {
    choose(id)
    table.current?.querySelector<HTMLElement>(`[data-node="${id}"]`)?.focus()
  }
  const keys = useOutlineKeys({
    nodes,
    rows,
    chosen,
    choose: chooseAndFocus,
    setOpen,
    beginSibling: (row) => mayEdit && setDraft(siblingOf(row.node, row.depth)),
    beginRename: (row) => mayEdit && setRenaming(row.node.id),
    edit,
  })
  const commit = (text: string, check: NewCheck | null) => {
    if (!draft) return
    const id = crypto.randomUUID()
    edit.add.mutate({ id, place: draft, text, check })
    if (draft.parentId) setOpen(draft.parentId, true)
    choose(id)
    setDraft(behind(draft, id))
  }
  const endDraft = () => {
    setDraft(null)
    if (chosen) requestAnimationFrame(() => table.current?.querySelector<HTMLElement>(`[data-node="${chosen.node.id}"]`)?.focus())
  }
  const draftAt = draft ? draftIndex(draft, rows) : -2
  const draftRow = draft && (
    <DraftRow
      key={`draft ${draft.level === 'CHECK' ? 'check' : 'name'}`}
      place={draft}
      onDeeper={() => setDraft(deeper(draft))}
      onShallower={() => setDraft(shallower(draft, nodes))}
      onCommit={commit}
      onCancel={endDraft}
    />
  )
  return (
    <table ref={table} role="treegrid" aria-label={words.plant.columns.plant} className="ledger" onKeyDown={mayEdit ? keys.onKeyDown : undefined}>
      <thead>
        <tr>
          <th>{words.plant.columns.plant}</th>
          <th>{words.plant.columns.worst}</th>
          <th className="num">{words.plant.columns.read}</th>
          <th>{words.plant.columns.spark}</th>
        </tr>
      </thead>
      <tbody>
        {/* One flat list: the row being typed stays the same element, and keeps the focus, while others come before it. */}
        {[draftAt === -1 && draftRow, ...rows.flatMap((row, i) => [
          renaming === row.node.id ? (
            <RenameRow
              key={row.node.id}
              row={row}
              onDone={(text) => {
                setRenaming(null)
                if (text !== null) edit.rename.mutate({ node: row.node, ...parseLabel(text, row.node.level) })
                requestAnimationFrame(() => chooseAndFocus(row.node.id))
              }}
            />
          ) : (
            <PlantRow
              key={row.node.id}
              row={row}
              standing={standings.get(row.node.id)}
              isChosen={row === chosen}
              isCut={keys.cut === row.node.id}
              onChoose={() => chooseAndFocus(row.node.id)}
              onToggle={() => setOpen(row.node.id, !row.isOpen)}
              onRename={() => mayEdit && setRenaming(row.node.id)}
            />
          ),
          draftAt === i && draftRow,
        ])]}
      </tbody>
    </table>
  )
}

interface RowProps {
  row: Row
  standing: Standing | undefined
  isChosen: boolean
  isCut: boolean
  onChoose: () => void
  onToggle: () => void
  onRename: () => void
}

function PlantRow({ row, standing, isChosen, isCut, onChoose, onToggle, onRename }: RowProps) {
  const { node } = row
  return (
    <tr
      data-node={node.id}
      aria-level={row.depth + 1}
      aria-expanded={row.hasChildren ? row.isOpen : undefined}
      aria-selected={isChosen}
      tabIndex={isChosen ? 0 : -1}
      onClick={onChoose}
      onDoubleClick={onRename}
      className={`cursor-pointer outline-offset-[-1px] focus-visible:outline-1 ${isChosen ? 'bg-wash shadow-[inset_3px_0_0_var(--plum)]' : 'hover:bg-paper2'} ${isCut ? 'opacity-50' : ''}`}
    >
      <td className="w-[62%] max-w-0">
        <div className="flex items-center gap-2 overflow-hidden" style={{ paddingLeft: row.depth * 15 }}>
          <span
            aria-hidden="true"
            className="w-3 shrink-0 text-[10px] text-ink2"
            onClick={(event) => {
              event.stopPropagation()
              onToggle()
            }}
          >
            {row.hasChildren ? (row.isOpen ? '▼' : '▶') : ''}
          </span>
          <Tag text={node.tag} />
          <span className={`truncate ${node.level === 'CHECK' ? 'text-ink2' : ''}`}>{node.name}</span>
        </div>
      </td>
      <td>{standing && <Worst standing={standing} />}</td>
      <td className="num whitespace-nowrap text-ink2">{standing && age(standing.readAt, new Date())}</td>
      <td>{standing && <Spark values={standing.spark} fail={standing.sparkFail} />}</td>
    </tr>
  )
}

/** The worst verdict; what was not judged stands beside it and is never hidden by a pass. */
function Worst({ standing }: { standing: Standing }) {
  const beside = standing.worst !== 'NOT_JUDGED' && standing.notJudged > 0
  if (standing.worst === 'NOT_JUDGED' && standing.readAt === null) return <span className="text-ink3">–</span>
  return (
    <span className="inline-flex items-center gap-2 whitespace-nowrap">
      <VerdictMark verdict={standing.worst} />
      {beside && (
        <span className="text-[12px] text-ink3" title={words.plant.notJudgedBeside(standing.notJudged)}>
          +{standing.notJudged} ◌
        </span>
      )}
    </span>
  )
}

function RenameRow({ row, onDone }: { row: Row; onDone: (text: string | null) => void }) {
  const [text, setText] = useState(labelOf(row.node))
  const input = useRef<HTMLInputElement>(null)
  useEffect(() => input.current?.select(), [])
  return (
    <tr className="bg-wash">
      <td colSpan={4}>
        <div style={{ paddingLeft: row.depth * 15 + 14 }}>
          <input
            ref={input}
            aria-label={words.plant.rename}
            className="field w-full"
            value={text}
            onChange={(event) => setText(event.target.value)}
            onBlur={() => onDone(null)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') onDone(text)
              else if (event.key === 'Escape') onDone(null)
              else return
              event.preventDefault()
              event.stopPropagation()
            }}
          />
        </div>
      </td>
    </tr>
  )
}
