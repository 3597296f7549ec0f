import { useState } from 'react'
import { api, data } from '../api/client'
import type { VisitRow, VisitSheet } from '../api/types'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { words } from '../words/en'
import { DiscardDialog } from './DiscardDialog'
import { FillDialog } from './FillDialog'
import { MoveDialog } from './MoveDialog'
import { TimesDialog } from './TimesDialog'
import { ToVisitDialog } from './ToVisitDialog'
import { useMending } from '../reading/useMending'

const text = words.visits.mend

type Open = 'move' | 'toVisit' | 'fill' | 'discard' | 'times'

/** What can be put right on a visit, and what looks as if it had to be. */
export function MendBar({
  visit,
  chosen,
  certified,
}: {
  visit: VisitSheet
  chosen: VisitRow[]
  certified: (readingId: string) => string[]
}) {
  const [open, setOpen] = useState<Open | null>(null)
  const mending = useMending()
  const close = () => setOpen(null)
  const readingIds = chosen.flatMap((row) => (row.readingId === null ? [] : [row.readingId]))
  const onCertificates = readingIds.filter((id) => certified(id).length > 0)
  const all = chosen.length === visit.rows.length
  const accidental = [
    ...visit.rows.flatMap((row) => (row.isAccidental && row.readingId !== null ? [row.readingId] : [])),
    ...visit.tray.flatMap((reading) => (reading.isAccidental && reading.discardedBecause === null ? [reading.id] : [])),
  ]
  const discard = (ids: string[], reason: string) =>
    mending.mutate({
      run: () => data(api.POST('/api/discards', { body: { readingIds: ids, reason } })),
      said: text.discardedAll(ids.length),
    })
  const asWritten = () =>
    mending.mutate({
      run: () =>
        data(
          api.POST('/api/visits/{id}/times', {
            params: { path: { id: visit.id } },
            body: { readingId: null, takenAt: null },
          }),
        ),
      said: text.timesMoved,
    })
  return (
    <div className="shrink-0 border-b border-rule2 px-4 py-1.5">
      {visit.clockDoubt && (
        <p className="py-0.5 font-semibold text-watch">
          {visit.clockDoubt} <Button onClick={() => setOpen('times')}>{text.giveTime}</Button>
        </p>
      )}
      {visit.files.length > 0 && <p className="py-0.5">{text.cameAsFile(visit.files)}</p>}
      {accidental.length > 0 && (
        <p className="py-0.5 font-semibold text-watch">
          {text.accidental(accidental.length)}{' '}
          <Button onClick={() => discard(accidental, text.nothingMeasured)}>
            {text.discardThem(accidental.length)}
          </Button>
        </p>
      )}
      {onCertificates.length > 0 && (
        <p className="py-0.5">
          {words.visits.certified.warning(onCertificates.length, [...new Set(onCertificates.flatMap(certified))])}
        </p>
      )}
      <Trouble error={mending.error} />
      <div role="group" aria-label={text.open} className="flex flex-wrap gap-x-4 gap-y-1">
        <span className="text-ink2">{text.chosen(chosen.length, all)}</span>
        <Button disabled={readingIds.length === 0} onClick={() => setOpen('move')}>
          {text.move}
        </Button>
        <Button disabled={readingIds.length === 0} onClick={() => setOpen('toVisit')}>
          {text.toVisit}
        </Button>
        <Button disabled={readingIds.length === 0} onClick={() => setOpen('fill')}>
          {text.fill}
        </Button>
        <Button disabled={readingIds.length === 0} onClick={() => setOpen('discard')}>
          {text.discard}
        </Button>
        {visit.newest && !visit.clockDoubt && <Button onClick={() => setOpen('times')}>{text.giveTime}</Button>}
        {visit.clockAheadSeconds !== 0 && <Button onClick={asWritten}>{text.asWritten}</Button>}
      </div>
      {open === 'move' && <MoveDialog visitId={visit.id} readingIds={all ? [] : readingIds} onClose={close} />}
      {open === 'toVisit' && <ToVisitDialog visitId={visit.id} readingIds={readingIds} onClose={close} />}
      {open === 'fill' && <FillDialog readingIds={readingIds} onClose={close} />}
      {open === 'times' && <TimesDialog visit={visit} onClose={close} />}
      {open === 'discard' && (
        <DiscardDialog
          onClose={close}
          onDiscard={(reason) => {
            discard(readingIds, reason)
            close()
          }}
        />
      )}
    </div>
  )
}
