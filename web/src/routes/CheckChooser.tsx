import { useEffect, useRef } from 'react'
import type { PlantNode } from '../api/types'
import { Tag } from '../parts/Tag'
import { childrenOf } from '../plant/outline'

interface Props {
  nodes: PlantNode[]
  chosen: string[]
  onChange: (checkIds: string[]) => void
}

/** The plant with a box at every row; a box above ticks all checks beneath it. */
export function CheckChooser({ nodes, chosen, onChange }: Props) {
  const children = childrenOf(nodes)
  const set = new Set(chosen)
  const checksOf = (node: PlantNode): string[] => (node.level === 'CHECK' ? [node.id] : (children.get(node.id) ?? []).flatMap(checksOf))
  const toggle = (checks: string[], on: boolean) =>
    onChange(on ? [...chosen, ...checks.filter((id) => !set.has(id))] : chosen.filter((id) => !checks.includes(id)))
  const rowsUnder = (parentId: string | null, depth: number): React.ReactNode =>
    (children.get(parentId) ?? []).map((node) => {
      const checks = checksOf(node)
      const ticked = checks.filter((id) => set.has(id)).length
      return (
        <div key={node.id}>
          <label className="flex h-[29px] cursor-pointer items-center gap-2 border-b border-rule px-3 hover:bg-paper2" style={{ paddingLeft: 12 + depth * 18 }}>
            <Box
              checked={checks.length > 0 && ticked === checks.length}
              some={ticked > 0 && ticked < checks.length}
              disabled={checks.length === 0}
              onChange={(on) => toggle(checks, on)}
            />
            <Tag text={node.tag} />
            <span className={`truncate ${node.level === 'CHECK' ? 'text-ink2' : ''}`}>{node.name}</span>
          </label>
          {rowsUnder(node.id, depth + 1)}
        </div>
      )
    })
  return <div>{rowsUnder(null, 0)}</div>
}

function Box({ checked, some, disabled, onChange }: { checked: boolean; some: boolean; disabled: boolean; onChange: (on: boolean) => void }) {
  const box = useRef<HTMLInputElement>(null)
  useEffect(() => {
    if (box.current) box.current.indeterminate = some
  }, [some])
  return <input ref={box} type="checkbox" className="h-4 w-4 accent-plum" checked={checked} disabled={disabled} onChange={(event) => onChange(event.target.checked)} />
}
