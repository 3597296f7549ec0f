import { useState } from 'react'
import { api, data } from '../api/client'
import type { VisitRow } from '../api/types'
import { Button } from '../parts/Button'
import { Decimal } from '../parts/Decimal'
import { Trouble } from '../parts/Trouble'
import { VerdictMark } from '../parts/VerdictMark'
import { useCorrection } from '../reading/useCorrection'
import { number, unitText } from '../units/format'
import { useTimes } from '../units/useTimes'
import { t } from '../words/t'
import { DiscardDialog } from './DiscardDialog'

/** Further readings of a stop that do not count there: each can be chosen, taken off or discarded. */
export function OtherReadings({ row, decimals, mayEdit }: { row: VisitRow; decimals: number; mayEdit: boolean }) {
  const { time } = useTimes()
  const correction = useCorrection()
  const [discarding, setDiscarding] = useState<string | null>(null)
  const path = (id: string) => ({ params: { path: { id } } })
  return (
    <>
      {row.others.map((other) => (
        <tr key={other.readingId} className="text-ink2" aria-label={t('visits:others.row', { point: row.point })}>
          <td />
          {mayEdit && <td />}
          <td />
          <td className="pl-6! whitespace-nowrap">
            {other.isPlanned ? t('visits:others.planned') : t('visits:others.further')}, {time(other.takenAt)}
          </td>
          <td className={`num ${other.discardedBecause ? 'line-through' : ''}`}>
            <Decimal
              text={other.value === null ? '–' : number(other.value, row.unit, row.watch, row.fail)}
              among={decimals}
            />
          </td>
          <td className="text-[12px] text-ink3">{other.value !== null && unitText(row.unit)}</td>
          <td colSpan={2} className="whitespace-nowrap">
            {mayEdit && !other.discardedBecause && (
              <Button
                disabled={correction.isPending}
                onClick={() =>
                  correction.mutate({
                    run: () => data(api.POST('/api/readings/{id}/choose', path(other.readingId))),
                    said: t('visits:others.chosen'),
                  })
                }
              >
                {t('visits:others.choose')}
              </Button>
            )}
          </td>
          <td>
            <VerdictMark verdict={other.verdict} reason={other.reason} />
          </td>
          <td>
            {[other.note, other.discardedBecause ?? ''].filter(Boolean).join(', ')}{' '}
            {mayEdit && (
              <span className="inline-flex gap-3">
                <Button
                  disabled={correction.isPending}
                  onClick={() =>
                    correction.mutate({
                      run: () =>
                        data(
                          api.POST('/api/readings/{id}/place', { ...path(other.readingId), body: { checkId: null } }),
                        ),
                      said: t('visits:sheet.unplaced'),
                    })
                  }
                >
                  {t('visits:others.toTray')}
                </Button>
                {other.discardedBecause ? (
                  <Button
                    disabled={correction.isPending}
                    onClick={() =>
                      correction.mutate({
                        run: () => data(api.POST('/api/readings/{id}/restore', path(other.readingId))),
                        said: t('visits:sheet.restored'),
                      })
                    }
                  >
                    {t('visits:sheet.restore')}
                  </Button>
                ) : (
                  <Button onClick={() => setDiscarding(other.readingId)}>{t('visits:sheet.discard')}</Button>
                )}
              </span>
            )}
            <Trouble error={correction.error} />
            {discarding === other.readingId && (
              <DiscardDialog
                onClose={() => setDiscarding(null)}
                onDiscard={(reason) => {
                  correction.mutate({
                    run: () =>
                      data(api.POST('/api/readings/{id}/discard', { ...path(other.readingId), body: { reason } })),
                    said: t('visits:others.discarded'),
                  })
                  setDiscarding(null)
                }}
              />
            )}
          </td>
        </tr>
      ))}
    </>
  )
}
