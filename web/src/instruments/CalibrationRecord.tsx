import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { asForm } from '../api/fileForm'
import { queries } from '../api/queries'
import { changed } from '../api/subjects'
import type { InstrumentView } from '../api/types'
import { Button } from '../parts/Button'
import { DayField } from '../parts/DateField'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { day, typedNumber } from '../units/format'
import { t } from '../words/t'
import { Papers } from './Papers'

/** When the instrument was calibrated, how often it must be, and the certificates of it. */
export function CalibrationRecord({ instrument, mayEdit }: { instrument: InstrumentView; mayEdit: boolean }) {
  const client = useQueryClient()
  const [on, setOn] = useState(instrument.tellsCalibration ? '' : (instrument.calibratedOn ?? ''))
  const [months, setMonths] = useState(
    instrument.calibrationMonths === null ? '' : String(instrument.calibrationMonths),
  )
  const path = { params: { path: { id: instrument.id } } }
  const save = useMutation({
    mutationFn: () =>
      data(
        api.PUT('/api/instruments/{id}/calibration', {
          ...path,
          body: { calibratedOn: on || null, months: typedNumber(months) },
        }),
      ),
    onSuccess: () => {
      say(t('instruments:calibration.saved'))
      void changed(client, 'calibration')
    },
  })
  return (
    <details className="mt-4">
      <summary className="cursor-pointer font-semibold">{t('instruments:calibration.title')}</summary>
      <form
        className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2"
        onSubmit={(event) => {
          event.preventDefault()
          save.mutate()
        }}
      >
        {instrument.tellsCalibration ? (
          <span>
            {t('instruments:calibration.on')} {instrument.calibratedOn && day(instrument.calibratedOn)},{' '}
            {t('instruments:calibration.told')}
          </span>
        ) : (
          <label>
            {t('instruments:calibration.on')}{' '}
            <DayField label={t('instruments:calibration.on')} disabled={!mayEdit} value={on} onChange={setOn} />
          </label>
        )}
        <label>
          {t('instruments:calibration.months')}{' '}
          <input
            className="field w-16 text-right"
            inputMode="numeric"
            disabled={!mayEdit}
            value={months}
            onChange={(event) => setMonths(event.target.value)}
          />{' '}
          {t('instruments:calibration.unit')}
        </label>
        {mayEdit && (
          <Button type="submit" disabled={save.isPending}>
            {t('common:save')}
          </Button>
        )}
      </form>
      <Trouble error={save.error} />
      <Papers
        query={queries.papers(instrument.id)}
        keep={
          mayEdit ? (file) => data(api.POST('/api/instruments/{id}/papers', { ...path, ...asForm(file) })) : undefined
        }
      />
    </details>
  )
}
