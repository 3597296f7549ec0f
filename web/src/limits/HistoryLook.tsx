import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import type { LimitForm, LimitLine, LimitPreview } from '../api/types'
import { Trouble } from '../parts/Trouble'
import { VerdictShape } from '../parts/VerdictMark'
import { day } from '../units/format'
import { t } from '../words/t'
import { useSettled } from '../parts/useSettled'
import { limitWords } from './limitWords'

/** What a limit would have said of all that was measured, before it is set. */
export function HistoryLook({
  nodeId,
  line,
  limit,
  from,
  until,
}: {
  nodeId: string
  line: LimitLine
  limit: LimitForm | null
  from: string | null
  until: string | null
}) {
  const settled = useSettled({ limit, from, until })
  const preview = useQuery(queries.limitPreview(nodeId, line.technique, line.resultId, settled))
  return (
    <section aria-label={t('limits:preview')} className="mt-4 border-t border-rule pt-3" aria-live="polite">
      <h3 className="font-semibold">{t('limits:preview')}</h3>
      {limit === null && <p className="text-ink2">{t('limits:previewEmpty')}</p>}
      <Trouble error={limit === null ? null : preview.error} />
      {limit !== null && preview.isLoading && <p className="text-ink2">{t('limits:previewing')}</p>}
      {limit !== null && preview.data && <PreviewOutcome preview={preview.data} />}
    </section>
  )
}

/** What setting it does, then what it would have said of all that was measured. */
export function PreviewOutcome({ preview }: { preview: LimitPreview }) {
  const more = [
    preview.notJudged > 0 && t('limits:notJudged', { n: preview.notJudged }),
    t('limits:now', { watch: preview.watchNow, fail: preview.failNow }),
  ]
    .filter(Boolean)
    .join('; ')
  return (
    <>
      <p className="font-semibold">
        {preview.changed === 0
          ? t('limits:changesNothing')
          : t('limits:changes', { n: preview.changed, watch: preview.watchThen, fail: preview.failThen })}
      </p>
      {preview.keeping > 0 && <p>{t('limits:keeping', { n: preview.keeping })}</p>}
      {preview.without > 0 && <p>{t('limits:withoutProposal', { n: preview.without })}</p>}
      <p>
        <span className="text-ink2">{t('limits:ifAlways')}</span>{' '}
        <span className="font-semibold">
          {t('limits:would', {
            watch: preview.watch,
            fail: preview.fail,
            readings: preview.readings,
            checks: preview.checks,
          })}
        </span>{' '}
        <span className="text-ink2">({more})</span>
      </p>
      {preview.left > 0 && <p className="text-ink2">{t('limits:left', { n: preview.left })}</p>}
      {preview.repairs.length > 0 && (
        <ul className="mt-1">
          {preview.repairs.map((repair) => (
            <li key={repair.place + repair.repairedAt}>
              {repair.place}, {day(repair.repairedAt)}
              {repair.words && ` (${repair.words})`}:{' '}
              <span className="font-semibold">
                {repair.daysBefore === null ? t('limits:notTold') : t('limits:told', { days: repair.daysBefore })}
              </span>
            </li>
          ))}
        </ul>
      )}
      <ul className="mt-2 grid grid-cols-2 gap-x-6 gap-y-3 max-sm:grid-cols-1">
        {preview.shown.map((check) => (
          <li key={check.checkId}>
            <span className="flex items-center gap-2 text-[13px]">
              <span className="min-w-0 flex-1 truncate" title={check.place}>
                {check.place} {check.limit && <span className="font-semibold">{limitWords(check.limit)}</span>}
              </span>
              <VerdictShape verdict="WATCH" size={11} /> {check.watch} <VerdictShape verdict="FAIL" size={11} />{' '}
              {check.fail}
            </span>
            <Strip readings={check.readings} />
          </li>
        ))}
      </ul>
    </>
  )
}

const WIDTH = 380
const HEIGHT = 54

/** The readings of one check over time, each in the shape of the verdict it would get. */
function Strip({ readings }: { readings: LimitPreview['shown'][number]['readings'] }) {
  const times = readings.map((reading) => new Date(reading.at).getTime())
  const first = times[0] ?? 0
  const span = (times.at(-1) ?? first) - first || 1
  const values = readings.map((reading) => reading.value)
  const top = Math.max(...values, 0)
  const bottom = Math.min(...values, 0)
  const x = (i: number) => 7 + (((times[i] ?? first) - first) / span) * (WIDTH - 14)
  const y = (value: number) => HEIGHT - 7 - ((value - bottom) / (top - bottom || 1)) * (HEIGHT - 14)
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full border-b border-rule2" aria-hidden="true">
      <polyline
        points={values.map((value, i) => `${x(i)},${y(value)}`).join(' ')}
        fill="none"
        className="stroke-ink3"
        strokeWidth="1"
      />
      {readings.map((reading, i) =>
        reading.verdict === 'PASS' || (reading.verdict === 'NOT_JUDGED' && readings.length > 60) ? null : (
          <g key={reading.at} transform={`translate(${x(i) - 5} ${y(reading.value) - 5})`}>
            <VerdictShape verdict={reading.verdict} size={10} />
          </g>
        ),
      )}
    </svg>
  )
}
