import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { dayAndTime } from '../units/format'
import { t } from '../words/t'
import { usePlantEdit } from './usePlantEdit'

/** Every change of the plant, or of one node and what stood in it, each to be taken back long after its notice is gone. */
export function PlantHistory({ node, label, title }: { node?: string; label: string; title: string }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button onClick={() => setOpen(true)}>{label}</Button>
      {open && <HistoryDialog node={node} title={title} onClose={() => setOpen(false)} />}
    </>
  )
}

function HistoryDialog({ node, title, onClose }: { node: string | undefined; title: string; onClose: () => void }) {
  const changes = useQuery(queries.changes(node))
  const { undo, redo } = usePlantEdit()
  const isPending = undo.isPending || redo.isPending
  return (
    <Dialog title={title} open onClose={onClose}>
      {changes.data?.length === 0 && <p className="text-ink2">{t('plant:historyNone')}</p>}
      <ul>
        {changes.data?.map((change) => (
          <li key={change.id} className="flex gap-3 border-b border-rule py-1.5">
            <span className="min-w-0 flex-1">
              <span className={`block ${change.undone ? 'text-ink3 line-through' : ''}`}>{change.sentence}</span>
              <span className="text-[12px] text-ink3">
                {dayAndTime(change.at)}, {change.actor}
              </span>
            </span>
            {change.isKept && (
              <Button disabled={isPending} onClick={() => (change.undone ? redo : undo).mutate(change.id)}>
                {change.undone ? t('plant:historyAgain') : t('common:undo')}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </Dialog>
  )
}
