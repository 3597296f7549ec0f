import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { dayAndTime } from '../units/format'
import { words } from '../words/en'
import { usePlantEdit } from './usePlantEdit'

/** Every change of the plant, each to be undone long after its notice is gone. */
export function PlantHistory() {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button onClick={() => setOpen(true)}>{words.plant.history}</Button>
      {open && <HistoryDialog onClose={() => setOpen(false)} />}
    </>
  )
}

function HistoryDialog({ onClose }: { onClose: () => void }) {
  const changes = useQuery(queries.changes())
  const { undo } = usePlantEdit()
  return (
    <Dialog title={words.plant.historyTitle} open onClose={onClose}>
      <ul>
        {changes.data?.map((change) => (
          <li key={change.id} className="flex gap-3 border-b border-rule py-1.5">
            <span className="min-w-0 flex-1">
              <span className={`block ${change.undone ? 'text-ink3 line-through' : ''}`}>{change.sentence}</span>
              <span className="text-[12px] text-ink3">
                {dayAndTime(change.at)}, {change.actor}
              </span>
            </span>
            {change.undone ? (
              <span className="text-ink3">{words.plant.historyUndone}</span>
            ) : (
              <Button disabled={undo.isPending} onClick={() => undo.mutate(change.id)}>
                {words.common.undo}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </Dialog>
  )
}
