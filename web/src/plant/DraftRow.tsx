import { useQuery } from '@tanstack/react-query'
import type { KeyboardEvent } from 'react'
import { useEffect, useRef, useState } from 'react'
import { queries } from '../api/queries'
import { t } from '../words/t'
import { CheckChoice } from './CheckChoice'
import type { DraftPlace, NewCheck } from './outline'

interface Props {
  place: DraftPlace
  /** Index of the row it follows: it moves down with each row that is added. */
  at: number
  onDeeper: () => void
  onShallower: () => void
  onCommit: (text: string, check: NewCheck | null) => void
  onCancel: () => void
}

/** The row being typed. Enter keeps it and begins the next, Tab goes deeper, Escape ends. */
export function DraftRow({ place, at, onDeeper, onShallower, onCommit, onCancel }: Props) {
  const [text, setText] = useState('')
  const techniques = useQuery(queries.techniques())
  const row = useRef<HTMLTableRowElement>(null)
  useEffect(() => {
    const frame = requestAnimationFrame(() => row.current?.scrollIntoView?.({ block: 'nearest' }))
    return () => cancelAnimationFrame(frame)
  }, [at])
  const isCheck = place.level === 'CHECK'
  const commit = () => {
    if (isCheck) return
    if (text.trim()) onCommit(text, null)
    else onCancel()
    setText('')
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Enter') commit()
    else if (event.key === 'Escape') onCancel()
    else if (event.key === 'Tab' && event.shiftKey) onShallower()
    else if (event.key === 'Tab') onDeeper()
    else return
    event.preventDefault()
    event.stopPropagation()
  }
  const label = t('plant:newRow', { level: t(`common:level.${place.level}`) })
  return (
    <tr ref={row} className="bg-wash">
      <td colSpan={4}>
        <div className="flex items-center gap-2" style={{ paddingLeft: place.depth * 15 + 14 }}>
          {isCheck ? (
            <CheckChoice
              label={label}
              techniques={techniques.data ?? []}
              onCommit={(check) => onCommit('', check)}
              onKeyDown={onKeyDown}
            />
          ) : (
            <input
              key="name"
              aria-label={label}
              className="field min-w-0 flex-1"
              placeholder={label}
              autoFocus
              value={text}
              onChange={(event) => setText(event.target.value)}
              onKeyDown={onKeyDown}
            />
          )}
          <span className="w-12 text-ink3">{t(`common:level.${place.level}`)}</span>
        </div>
      </td>
    </tr>
  )
}
