import { useQuery } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { dayAndTime } from '../units/format'
import { t } from '../words/t'
import { useCorrection } from '../reading/useCorrection'

/** Readings that belong to another visit, or to one of their own. */
export function ToVisitDialog({
  visitId,
  readingIds,
  onClose,
}: {
  visitId: string
  readingIds: string[]
  onClose: () => void
}) {
  const visits = useQuery(queries.visits())
  const correction = useCorrection()
  const move = (to: string | null) =>
    correction.mutate({
      run: () =>
        data(
          api.POST('/api/visits/{id}/move-readings', {
            params: { path: { id: visitId } },
            body: { readingIds, visitId: to },
          }),
        ),
      said: t('visits:toVisit.done', { n: readingIds.length }),
      then: onClose,
    })
  const look = 'block min-h-[26px] w-full cursor-pointer px-1 py-1 text-left hover:bg-wash'
  return (
    <Dialog title={t('visits:toVisit.title')} open onClose={onClose}>
      <Trouble error={visits.error ?? correction.error} />
      <ul className="max-h-[46vh] overflow-auto">
        <li>
          <button
            type="button"
            className={`${look} font-semibold`}
            disabled={correction.isPending}
            onClick={() => move(null)}
          >
            {t('visits:toVisit.own')}
          </button>
        </li>
        {visits.data
          ?.filter((visit) => visit.id !== visitId)
          .map((visit) => (
            <li key={visit.id}>
              <button type="button" className={look} disabled={correction.isPending} onClick={() => move(visit.id)}>
                {dayAndTime(visit.beganAt)} {visit.title} <span className="text-ink3">{visit.instrument}</span>
              </button>
            </li>
          ))}
      </ul>
    </Dialog>
  )
}
