import type { PlantNode } from '../api/types'
import { Button } from '../parts/Button'
import { Tag } from '../parts/Tag'
import { words } from '../words/en'

interface Props {
  nodes: PlantNode[]
  checkIds: string[]
  onChange: (checkIds: string[]) => void
}

function moved(ids: string[], from: number, to: number): string[] {
  const copy = [...ids]
  const [id] = copy.splice(from, 1)
  if (id) copy.splice(to, 0, id)
  return copy
}

/** The stops in walking order. */
export function Walk({ nodes, checkIds, onChange }: Props) {
  const byId = new Map(nodes.map((node) => [node.id, node]))
  const above = (node: PlantNode | undefined, level: PlantNode['level']): PlantNode | undefined =>
    !node || node.level === level ? node : above(node.parentId ? byId.get(node.parentId) : undefined, level)
  if (checkIds.length === 0) return <p className="text-ink2">{words.routes.empty}</p>
  return (
    <table className="ledger">
      <tbody>
        {checkIds.map((id, i) => {
          const check = byId.get(id)
          const asset = above(check, 'ASSET')
          const before = i > 0 ? above(byId.get(checkIds[i - 1] ?? ''), 'ASSET') : undefined
          const first = asset?.id !== before?.id
          return (
            <tr key={id} className="group">
              <td className="num w-8 text-ink3">{i + 1}</td>
              <td className="w-24">{first && <Tag text={asset?.tag ?? ''} />}</td>
              <td>
                {above(check, 'POINT')?.name} <span className="text-ink2">{check?.name}</span>
              </td>
              <td className="num whitespace-nowrap">
                <span className="inline-flex gap-1 opacity-70 group-hover:opacity-100 group-focus-within:opacity-100">
                  <Button className="h-6 min-w-6" aria-label={`${words.routes.up} ${i + 1}`} disabled={i === 0} onClick={() => onChange(moved(checkIds, i, i - 1))}>
                    ↑
                  </Button>
                  <Button className="h-6 min-w-6" aria-label={`${words.routes.down} ${i + 1}`} disabled={i === checkIds.length - 1} onClick={() => onChange(moved(checkIds, i, i + 1))}>
                    ↓
                  </Button>
                  <Button className="h-6 min-w-6" aria-label={`${words.routes.drop} ${i + 1}`} onClick={() => onChange(checkIds.filter((other) => other !== id))}>
                    ×
                  </Button>
                </span>
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
