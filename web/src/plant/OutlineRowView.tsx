import type { DragEvent, MouseEvent } from 'react'
import type { Standing } from '../api/types'
import { Spark } from '../parts/Spark'
import { Tag } from '../parts/Tag'
import { RollUpMark } from '../parts/RollUpMark'
import { age } from '../units/times'
import { t } from '../words/t'
import type { Row } from './outline'
import type { Drop } from './useRowDrag'

interface Props {
  row: Row
  index: number
  isChosen: boolean
  isSelected: boolean
  isCut: boolean
  mayEdit: boolean
  drop: Drop | null
  onChoose: (event: MouseEvent) => void
  onToggle: () => void
  onRename: () => void
  drag: {
    onDragStart: (event: DragEvent) => void
    onDragOver: (event: DragEvent) => void
    onDrop: (event: DragEvent) => void
    onDragEnd: () => void
  }
}

const dropLook: Record<Drop['where'], string> = {
  before: 'shadow-[inset_0_2px_0_var(--plum)]',
  behind: 'shadow-[inset_0_-2px_0_var(--plum)]',
  into: 'outline-2 outline-plum outline-offset-[-2px]',
}

export function OutlineRowView({
  row,
  index,
  isChosen,
  isSelected,
  isCut,
  mayEdit,
  drop,
  onChoose,
  onToggle,
  onRename,
  drag,
}: Props) {
  const { node, line } = row
  const look = isSelected ? `bg-wash ${isChosen ? 'shadow-[inset_3px_0_0_var(--plum)]' : ''}` : 'hover:bg-paper2'
  return (
    <tr
      data-node={node.id}
      aria-level={row.depth + 1}
      aria-rowindex={index + 2}
      aria-expanded={row.hasChildren ? row.isOpen : undefined}
      aria-selected={isSelected}
      tabIndex={isChosen ? 0 : -1}
      draggable={mayEdit}
      onClick={onChoose}
      onDoubleClick={onRename}
      {...(mayEdit ? drag : {})}
      className={`cursor-pointer outline-offset-[-1px] focus-visible:outline-1 ${drop ? dropLook[drop.where] : look} ${isCut ? 'opacity-50' : ''}`}
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
          <span
            className={`truncate ${node.level === 'CHECK' ? 'text-ink2' : ''} ${line.isHit ? 'font-semibold' : ''}`}
          >
            {node.name}
          </span>
        </div>
      </td>
      <td>
        <Worst standing={line.standing} />
      </td>
      <td className="num whitespace-nowrap text-ink2">{age(line.standing.readAt, new Date())}</td>
      <td>
        <Spark values={line.standing.spark} fail={line.standing.sparkFail} />
      </td>
    </tr>
  )
}

/** The worst verdict; what was not judged is never hidden by a pass. */
function Worst({ standing }: { standing: Standing }) {
  if (standing.worst === 'NOT_JUDGED' && standing.readAt === null) return <span className="text-ink3">–</span>
  return (
    <span className="inline-flex items-center gap-2 whitespace-nowrap">
      <RollUpMark counted={standing} />
      {standing.worse > 0 && (
        <span className="text-[12px] font-semibold text-ink2" title={t('trend:worse', { n: standing.worse })}>
          {t('trend:worseShort')}
        </span>
      )}
    </span>
  )
}
