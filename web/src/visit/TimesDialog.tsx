import { useState } from 'react'
import { api, data } from '../api/client'
import type { VisitSheet } from '../api/types'
import { Button } from '../parts/Button'
import { MomentField } from '../parts/DateField'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { useTimes } from '../units/useTimes'
import { t } from '../words/t'
import { useCorrection } from '../reading/useCorrection'

/** One known time, by which all times of a visit are put right. */
export function TimesDialog({ visit, onClose }: { visit: VisitSheet; onClose: () => void }) {
  const { dayAndTime } = useTimes()
  const correction = useCorrection()
  const [truly, setTruly] = useState('')
  const known = visit.newest
  if (!known) return null
  const move = () =>
    correction.mutate({
      run: () =>
        data(
          api.POST('/api/visits/{id}/times', {
            params: { path: { id: visit.id } },
            body: { readingId: known.readingId, takenAt: truly },
          }),
        ),
      said: t('visits:correct.timesMoved'),
      then: onClose,
    })
  return (
    <Dialog title={t('visits:times.title')} open onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          move()
        }}
      >
        <p className="mb-3 text-ink2">{t('visits:times.say', { place: known.place || t('visits:times.theNewest') })}</p>
        <dl className="mb-3 grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
          <dt className="font-semibold text-ink2">{t('visits:times.written')}</dt>
          <dd>{dayAndTime(known.takenAt)}</dd>
          <dt className="font-semibold text-ink2">{t('visits:times.truly')}</dt>
          <dd>
            <MomentField label={t('visits:times.truly')} withSeconds autoFocus value={truly} onChange={setTruly} />
          </dd>
        </dl>
        <Trouble error={correction.error} />
        <Button kind="main" type="submit" disabled={!truly || correction.isPending}>
          {t('visits:times.go')}
        </Button>
      </form>
    </Dialog>
  )
}
