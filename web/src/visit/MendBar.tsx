import { useState } from 'react'
import { api, data } from '../api/client'
import type { VisitRow, VisitSheet } from '../api/types'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { DiscardDialog } from './DiscardDialog'
import { FillDialog } from './FillDialog'
import { MoveDialog } from './MoveDialog'
import { TimesDialog } from './TimesDialog'
import { ToVisitDialog } from './ToVisitDialog'
import { useMending } from '../reading/useMending'

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
      said: t('visits:mend.discardedAll', { n: ids.length }),
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
      said: t('visits:mend.timesMoved'),
    })
  return (
    <div className="shrink-0 border-b border-rule2 px-4 py-1.5">
      {visit.clockDoubt && (
        <p className="py-0.5 font-semibold text-watch">
          {visit.clockDoubt} <Button onClick={() => setOpen('times')}>{t('visits:mend.giveTime')}</Button>
        </p>
      )}
      {visit.files.length > 0 && (
        <p className="py-0.5">{t('visits:mend.cameAsFile', { files: visit.files.join('; ') })}</p>
      )}
      {accidental.length > 0 && (
        <p className="py-0.5 font-semibold text-watch">
          {t('visits:mend.accidental', { n: accidental.length })}{' '}
          <Button onClick={() => discard(accidental, t('visits:mend.nothingMeasured'))}>
            {t('visits:mend.discardThem', { n: accidental.length })}
          </Button>
        </p>
      )}
      {onCertificates.length > 0 && (
        <p className="py-0.5">
          {t('visits:certified.warning', {
            n: onCertificates.length,
            numbers: [...new Set(onCertificates.flatMap(certified))].join(', '),
          })}
        </p>
      )}
      <Trouble error={mending.error} />
      <div role="group" aria-label={t('visits:mend.open')} className="flex flex-wrap gap-x-4 gap-y-1">
        <span className="text-ink2">{t('visits:mend.chosen', { n: chosen.length, all })}</span>
        <Button disabled={readingIds.length === 0} onClick={() => setOpen('move')}>
          {t('visits:mend.move')}
        </Button>
        <Button disabled={readingIds.length === 0} onClick={() => setOpen('toVisit')}>
          {t('visits:mend.toVisit')}
        </Button>
        <Button disabled={readingIds.length === 0} onClick={() => setOpen('fill')}>
          {t('visits:mend.fill')}
        </Button>
        <Button disabled={readingIds.length === 0} onClick={() => setOpen('discard')}>
          {t('visits:mend.discard')}
        </Button>
        {visit.newest && !visit.clockDoubt && (
          <Button onClick={() => setOpen('times')}>{t('visits:mend.giveTime')}</Button>
        )}
        {visit.clockAheadSeconds !== 0 && <Button onClick={asWritten}>{t('visits:mend.asWritten')}</Button>}
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
