import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { Trouble } from '../parts/Trouble'
import { dayAndTime } from '../units/format'
import { t } from '../words/t'

/** In which zone somebody reads times, and how dates are written: kept with the account. */
export function TimesChoice() {
  const client = useQueryClient()
  const me = useQuery(queries.me()).data
  const times = useQuery(queries.times()).data
  const keep = useMutation({
    mutationFn: (body: { timeZone: string; dateFormat: string }) => data(api.PUT('/api/session/times', { body })),
    onSuccess: (now) => client.setQueryData(queries.me().queryKey, now),
  })
  if (!me || !times) return null
  const { timeZone, dateFormat } = me
  const now = new Date().toISOString()
  return (
    <section className="mb-6" aria-labelledby="times-title">
      <h2 id="times-title" className="font-semibold">
        {t('setup:times.title')}
      </h2>
      <div className="flex flex-wrap items-end gap-4">
        <label className="flex flex-col text-[12px] text-ink2">
          {t('setup:times.zone')}
          <select
            className="field text-[14px]"
            value={timeZone}
            disabled={keep.isPending}
            onChange={(event) => keep.mutate({ timeZone: event.target.value, dateFormat })}
          >
            <option value="">{t('setup:times.siteZone', { zone: times.homeZone })}</option>
            {times.zones.map((zone) => (
              <option key={zone}>{zone}</option>
            ))}
          </select>
        </label>
        <label className="flex flex-col text-[12px] text-ink2">
          {t('setup:times.format')}
          <select
            className="field text-[14px]"
            value={dateFormat}
            disabled={keep.isPending}
            onChange={(event) => keep.mutate({ timeZone, dateFormat: event.target.value })}
          >
            <option value="">{t('setup:times.ofLanguage')}</option>
            {times.dateFormats.map((format) => (
              <option key={format}>{format}</option>
            ))}
          </select>
        </label>
        <span className="pb-1.5 text-ink2">{t('setup:times.now', { now: dayAndTime(now) })}</span>
      </div>
      <Trouble error={keep.error} />
    </section>
  )
}
