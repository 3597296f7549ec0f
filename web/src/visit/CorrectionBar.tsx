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
import { useCorrection } from '../reading/useCorrection'

type Open = 'move' | 'toVisit' | 'fill' | 'discard' | 'times'

/** What can be put right on a visit, and what looks as if it had to be. */
export function CorrectionBar({
  visit,
  chosen,
  certified,
}: {
  visit: VisitSheet
  chosen: VisitRow[]
  certified: (readingId: string) => string[]
}) {
  const [open, setOpen] = useState<Open | null>(null)
  const correction = useCorrection()
  const close = () => setOpen(null)
  const readingIds = chosen.flatMap((row) => (row.readingId === null ? [] : [row.readingId]))
  const onCertificates = readingIds.filter((id) => certified(id).length > 0)
  const all = chosen.length === visit.rows.length
  const accidental = [
    ...visit.rows.flatMap((row) => (row.isAccidental && row.readingId !== null ? [row.readingId] : [])),
    ...visit.tray.flatMap((reading) => (reading.isAccidental && reading.discardedBecause === null ? [reading.id] : [])),
  ]
  const discard = (ids: string[], reason: string) =>
    correction.mutate({
      run: () => data(api.POST('/api/discards', { body: { readingIds: ids, reason } })),
      said: t('visits:correct.discardedAll', { n: ids.length }),
    })
  const asWritten = () =>
    correction.mutate({
      run: () =>
        data(
          api.POST('/api/visits/{id}/times', {
            params: { path: { id: visit.id } },
            body: { readingId: null, takenAt: null },
          }),
        ),
      said: t('visits:correct.timesMoved'),
    })
  return (
    <div className="shrink-0 border-b border-rule2 px-4 py-1.5">
      {visit.clockDoubt && (
        <p className="py-0.5 font-semibold text-watch">
          {visit.clockDoubt} <Button onClick={() => setOpen('times')}>{t('visits:correct.giveTime')}</Button>
        </p>
      )}
      {visit.files.length > 0 && (
        <p className="py-0.5">{t('visits:correct.cameAsFile', { files: visit.files.join('; ') })}</p>
      )}
      {accidental.length > 0 && (
        <p className="py-0.5 font-semibold text-watch">
          {t('visits:correct.accidental', { n: accidental.length })}{' '}
          <Button onClick={() => discard(accidental, t('visits:correct.nothingMeasured'))}>
            {t('visits:correct.discardThem', { n: accidental.length })}
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
      <Trouble error={correction.error} />
      <div role="group" aria-label={t('visits:correct.open')} className="flex flex-wrap gap-x-4 gap-y-1">
        <span className="text-ink2">{t('visits:correct.chosen', { n: chosen.length, all })}</span>
        <Button disabled={readingIds.length === 0} onClick={() => setOpen('move')}>
          {t('visits:correct.move')}
        </Button>
        <Button disabled={readingIds.length === 0} onClick={() => setOpen('toVisit')}>
          {t('visits:correct.toVisit')}
        </Button>
        <Button disabled={readingIds.length === 0} onClick={() => setOpen('fill')}>
          {t('visits:correct.fill')}
        </Button>
        <Button disabled={readingIds.length === 0} onClick={() => setOpen('discard')}>
          {t('visits:correct.discard')}
        </Button>
        {visit.newest && !visit.clockDoubt && (
          <Button onClick={() => setOpen('times')}>{t('visits:correct.giveTime')}</Button>
        )}
        {visit.clockAheadSeconds !== 0 && <Button onClick={asWritten}>{t('visits:correct.asWritten')}</Button>}
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
