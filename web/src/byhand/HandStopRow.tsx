import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import type { HandStop } from '../api/types'
import { Button } from '../parts/Button'
import { Tag } from '../parts/Tag'
import { boundary, number, unitText } from '../units/format'
import { age } from '../units/times'
import { t } from '../words/t'
import { HandPhotos } from './HandPhotos'
import type { Entry } from './useDraft'
import { WrittenField } from './WrittenField'

interface Props {
  stop: HandStop
  entry: Entry | undefined
  /** Whether it is one of several: then it can be skipped. */
  isRound: boolean
  isFirst: boolean
  onChange: (changed: Partial<Entry>) => void
}

const lastSaid = ({ last, unit }: HandStop) => (last === null ? '' : `${number(last, unit)} ${unitText(unit)}`.trim())

/** One stop: what to look at, the field for it, and what it was last time. */
export function HandStopRow({ stop, entry, isRound, isFirst, onChange }: Props) {
  const place = `${stop.assetTag || stop.assetName} ${stop.point}, ${stop.asked}`
  const limits = boundary({ ...stop, watchLow: null, failLow: null })
  const isSkipped = entry !== undefined && entry.skipped !== null
  return (
    <tr>
      <td>
        <Tag text={stop.assetTag} /> <span className="text-ink2">{stop.assetName}</span>
      </td>
      <td>
        <span className="font-semibold">{stop.point}</span> {stop.asked}
        {stop.instruction && <span className="block text-[13px] text-ink2">{stop.instruction}</span>}
      </td>
      <td>
        {isSkipped ? (
          <SkipReason place={place} reason={entry.skipped ?? ''} onChange={onChange} />
        ) : (
          <WrittenField
            stop={stop}
            isFirst={isFirst}
            label={t('byHand:written', { place })}
            value={entry?.written ?? ''}
            unit={(entry?.written ? entry.unit : undefined) ?? stop.unit}
            onChange={(written, unit) => onChange({ written, unit })}
          />
        )}
      </td>
      <td className="num text-ink2">{limits ?? ''}</td>
      <td className="num text-ink2">
        {lastSaid(stop)}
        {stop.lastAt && <span className="block text-[12px] text-ink3">{age(stop.lastAt, new Date())}</span>}
      </td>
      <td>
        {!isSkipped && (
          <input
            aria-label={t('byHand:note', { place })}
            maxLength={500}
            className="field w-44"
            value={entry?.note ?? ''}
            onChange={(event) => onChange({ note: event.target.value })}
          />
        )}
      </td>
      <td className="whitespace-nowrap">
        <span className="flex items-center justify-end gap-3">
          {!isSkipped && (
            <HandPhotos
              label={t('byHand:photoOf', { place })}
              photos={entry?.photos ?? []}
              onChange={(photos) => onChange({ photos })}
            />
          )}
          {isRound && (
            <Button onClick={() => onChange({ skipped: isSkipped ? null : '' })}>
              {isSkipped ? t('byHand:measureAnyway') : t('byHand:skip')}
            </Button>
          )}
        </span>
      </td>
    </tr>
  )
}

function SkipReason({
  place,
  reason,
  onChange,
}: {
  place: string
  reason: string
  onChange: (changed: Partial<Entry>) => void
}) {
  const reasons = useQuery(queries.skipReasons()).data?.reasons ?? []
  return (
    <select
      aria-label={`${t('byHand:skipWhy')}: ${place}`}
      className="field"
      value={reason}
      onChange={(event) => onChange({ skipped: event.target.value })}
    >
      <option value="">{t('byHand:skipWhy')}</option>
      {reasons.map((one) => (
        <option key={one}>{one}</option>
      ))}
    </select>
  )
}
