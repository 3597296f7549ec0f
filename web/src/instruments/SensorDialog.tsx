import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { type ReactNode, useState } from 'react'
import { api, data } from '../api/client'
import { asForm } from '../api/fileForm'
import { queries } from '../api/queries'
import { changed } from '../api/subjects'
import type { SensorView } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { typedNumber } from '../units/format'
import { nameOf } from './instrumentName'
import { t } from '../words/t'
import { Papers } from './Papers'

const typed = (value: number | null | undefined) => (value === null || value === undefined ? '' : String(value))

/** A sensor's plate and its latest calibration. */
export function SensorDialog({ sensor, onClose }: { sensor: SensorView | undefined; onClose: () => void }) {
  const client = useQueryClient()
  const techniques = useQuery(queries.techniques()).data?.filter((one) => one.sensitivityUnit) ?? []
  const instruments = useQuery(queries.instruments())
  const users = useQuery({ ...queries.sensorUsers(sensor?.tag ?? ''), enabled: sensor !== undefined })
  const [id] = useState(() => sensor?.id ?? crypto.randomUUID())
  const [form, setForm] = useState({
    tag: sensor?.tag ?? '',
    technique: sensor?.technique ?? '',
    serial: sensor?.serial ?? '',
    sensitivity: typed(sensor?.sensitivity),
    rangeLow: typed(sensor?.rangeLow),
    rangeHigh: typed(sensor?.rangeHigh),
    calibratedOn: sensor?.calibratedOn ?? '',
    calibrationMonths: typed(sensor?.calibrationMonths),
    instrumentId: sensor?.instrumentId ?? '',
  })
  const [retired, setRetired] = useState(sensor?.retired ?? false)
  const technique = techniques.find((one) => one.id === form.technique) ?? techniques[0]
  /** Blank is nothing said; anything else that is no number is told rather than dropped. */
  const numberIn = (key: 'rangeLow' | 'rangeHigh' | 'calibrationMonths', label: string) => {
    const value = typedNumber(form[key])
    if (form[key].trim() !== '' && (value === null || (key === 'calibrationMonths' && !Number.isInteger(value))))
      throw new Error(t('sensors:noNumber', { field: label, typed: form[key] }))
    return value
  }
  const save = useMutation({
    mutationFn: async () =>
      data(
        api.PUT('/api/sensors/{id}', {
          params: { path: { id } },
          body: {
            tag: form.tag,
            technique: technique?.id ?? '',
            serial: form.serial,
            sensitivity: typedNumber(form.sensitivity) ?? 0,
            rangeLow: numberIn('rangeLow', t('sensors:range')),
            rangeHigh: numberIn('rangeHigh', t('sensors:range')),
            calibratedOn: form.calibratedOn || null,
            calibrationMonths: numberIn('calibrationMonths', t('sensors:every')),
            instrumentId: form.instrumentId || null,
            retired,
            version: sensor?.version ?? 0,
          },
        }),
      ),
    onSuccess: onClose,
    onSettled: () => changed(client, 'sensors'),
  })
  const field = (key: keyof typeof form, label: string, className: string, type = 'text') => (
    <input
      aria-label={label}
      type={type}
      inputMode={className.includes('text-right') ? 'decimal' : undefined}
      className={`field ${className}`}
      disabled={key === 'tag' && sensor !== undefined}
      value={form[key]}
      onChange={(event) => setForm({ ...form, [key]: event.target.value })}
    />
  )
  return (
    <Dialog title={sensor ? t('sensors:change', { tag: sensor.tag }) : t('sensors:register')} open onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          save.mutate()
        }}
      >
        <Line label={t('sensors:tag')}>{field('tag', t('sensors:tag'), 'w-40 font-mono')}</Line>
        {techniques.length > 1 && (
          <Line label={t('sensors:technique')}>
            <select
              aria-label={t('sensors:technique')}
              className="field w-40"
              value={technique?.id ?? ''}
              onChange={(event) => setForm({ ...form, technique: event.target.value })}
            >
              {techniques.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </select>
          </Line>
        )}
        <Line label={t('sensors:serial')}>{field('serial', t('sensors:serial'), 'w-40')}</Line>
        <Line label={t('sensors:sensitivity')}>
          {field('sensitivity', t('sensors:sensitivity'), 'w-24 text-right')}{' '}
          <span className="text-ink2">{technique?.sensitivityUnit}</span>
        </Line>
        <Line label={t('sensors:range')}>
          {field('rangeLow', `${t('sensors:range')} 1`, 'w-24 text-right')}{' '}
          <span className="text-ink2">{t('sensors:to')}</span>{' '}
          {field('rangeHigh', `${t('sensors:range')} 2`, 'w-24 text-right')}{' '}
          <span className="text-ink2">{technique?.sensorUnit}</span>
        </Line>
        <Line label={t('sensors:calibrated')}>{field('calibratedOn', t('sensors:calibrated'), 'w-40', 'date')}</Line>
        <Line label={t('sensors:every')}>
          {field('calibrationMonths', t('sensors:every'), 'w-24 text-right')}{' '}
          <span className="text-ink2">{t('sensors:months')}</span>
        </Line>
        <Line label={t('sensors:with')}>
          <select
            aria-label={t('sensors:with')}
            className="field w-56"
            value={form.instrumentId}
            onChange={(event) => setForm({ ...form, instrumentId: event.target.value })}
          >
            <option value="">{t('sensors:anyInstrument')}</option>
            {instruments.data?.map((one) => (
              <option key={one.id} value={one.id}>
                {nameOf(one)}
              </option>
            ))}
          </select>
        </Line>
        {sensor && (
          <label className="mb-2 flex cursor-pointer items-center gap-2">
            <input
              type="checkbox"
              className="h-4 w-4 accent-plum"
              checked={retired}
              onChange={(event) => setRetired(event.target.checked)}
            />
            {t('sensors:retired')}
          </label>
        )}
        {users.data && (
          <p className="mb-2 text-ink2">
            {t('sensors:users', { n: users.data.checks })} {users.data.checks > 0 && t('sensors:usersChange')}
          </p>
        )}
        {sensor && (
          <Papers
            query={queries.sensorPapers(sensor.id)}
            keep={(file) =>
              data(api.POST('/api/sensors/{id}/papers', { params: { path: { id: sensor.id } }, ...asForm(file) }))
            }
          />
        )}
        <Trouble error={save.error} />
        <div className="mt-3 flex gap-4">
          <Button
            kind="main"
            type="submit"
            disabled={save.isPending || !form.tag.trim() || typedNumber(form.sensitivity) === null}
          >
            {t('common:save')}
          </Button>
          <Button onClick={onClose}>{t('common:cancel')}</Button>
        </div>
      </form>
    </Dialog>
  )
}

function Line({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="mb-2 flex items-center gap-2">
      <span className="w-32 shrink-0 text-ink2">{label}</span>
      {children}
    </div>
  )
}
