import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import { useTimes } from '../units/useTimes'
import { t } from '../words/t'
import type { Beside } from './LookBar'

interface Props {
  checkId: string
  readingId: string
  beside: Beside | null
  onChange: (beside: Beside | null) => void
}

/** What a reading is laid beside: the same check on another date, or a sister asset's newest. */
export function BesideChoice({ checkId, readingId, beside, onChange }: Props) {
  const { day, dayAndTime } = useTimes()
  const comparable = useQuery(queries.comparable(checkId))
  const own = (comparable.data?.own ?? []).filter((one) => one.readingId !== readingId)
  const sisters = comparable.data?.sisters ?? []
  if (own.length + sisters.length === 0) return null
  const isAlone = (at: string) => own.filter((one) => day(one.at) === day(at)).length === 1
  const named = new Map([
    ...own.map((one) => [one.readingId, isAlone(one.at) ? day(one.at) : dayAndTime(one.at)] as const),
    ...sisters.map((one) => [one.readingId, `${one.assetTag}, ${day(one.at)}`] as const),
  ])
  return (
    <label className="inline-flex items-center gap-1.5 text-[13px] text-ink2">
      {t('signals:beside')}
      <select
        className="field text-ink"
        value={beside?.readingId ?? ''}
        onChange={(event) => {
          const name = named.get(event.target.value)
          onChange(name === undefined ? null : { readingId: event.target.value, name })
        }}
      >
        <option value="">{t('signals:besideNothing')}</option>
        <Group label={t('signals:otherDates')} readings={own} named={named} />
        <Group label={t('signals:sisters')} readings={sisters} named={named} />
      </select>
    </label>
  )
}

function Group({
  label,
  readings,
  named,
}: {
  label: string
  readings: { readingId: string }[]
  named: Map<string, string>
}) {
  if (readings.length === 0) return null
  return (
    <optgroup label={label}>
      {readings.map((one) => (
        <option key={one.readingId} value={one.readingId}>
          {named.get(one.readingId)}
        </option>
      ))}
    </optgroup>
  )
}
