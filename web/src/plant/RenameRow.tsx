import { useEffect, useRef, useState } from 'react'
import { t } from '../words/t'
import { labelOf, type Row } from './outline'

/** A row whose name is being changed. Enter keeps it, Escape keeps the old one. */
export function RenameRow({ row, onDone }: { row: Row; onDone: (text: string | null) => void }) {
  const [text, setText] = useState(labelOf({ tag: row.node.tag, name: row.node.ownName }))
  const input = useRef<HTMLInputElement>(null)
  useEffect(() => input.current?.select(), [])
  return (
    <tr className="bg-wash">
      <td colSpan={4}>
        <div style={{ paddingLeft: row.depth * 15 + 14 }}>
          <input
            ref={input}
            aria-label={t('plant:rename')}
            className="field w-full"
            placeholder={row.node.name}
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
