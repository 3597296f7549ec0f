import { useQueries, useQuery } from '@tanstack/react-query'
import { useMemo, useRef, useState } from 'react'
import type uPlot from 'uplot'
import { queries } from '../api/queries'
import type { CheckLine, Trend } from '../api/types'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { number, unitText } from '../units/format'
import { useTimes } from '../units/useTimes'
import { KeepPlot } from '../viewers/KeepPlot'
import { RangeStrip } from '../viewers/RangeStrip'
import { type Span, useZoom } from '../viewers/useZoom'
import { count } from '../units/locale'
import { t } from '../words/t'
import { CourseSay } from './CourseSay'
import { seconds } from './drawing'
import { EventDialog } from './EventDialog'
import { EventList } from './EventList'
import { trendFile } from './trendFile'
import { TrendPlot } from './TrendPlot'
import { useSettled } from '../parts/useSettled'
const DAY = 86_400
/** Room before the first and behind the last reading, as a share of the time between them. */
const MARGIN = 0.03
/** A date of reaching a limit is drawn if it is not further ahead than all the history is long. */
const AHEAD = 1

function wholeOf(trend: Trend): Span {
  if (trend.firstAt === null || trend.lastAt === null) return { from: 0, to: 1 }
  const first = seconds(trend.firstAt)
  const last = seconds(trend.lastAt)
  const margin = Math.max(DAY / 4, (last - first) * MARGIN)
  const reaching = trend.course?.reaching
  const ahead = reaching ? Math.min(seconds(reaching.latest ?? reaching.at), last + (last - first) * AHEAD) : last
  return { from: first - margin, to: Math.max(last + margin, ahead + margin) }
}

const outlineOf = (trend: Trend) =>
  trend.stretches.length > 0
    ? trend.stretches.map((stretch) => ({ x: seconds(stretch.from), low: stretch.least, high: stretch.largest }))
    : trend.points.map((point, i) => ({
        x: seconds(point.at),
        low: trend.points[Math.max(0, i - 1)]?.value ?? point.value,
        high: point.value,
      }))

const iso = (at: number) => new Date(Math.round(at * 1000)).toISOString()

interface Props {
  check: CheckLine
  whole: Trend
  resultId: string
  onResult: (resultId: string) => void
  chosenId: string | undefined
  chosenAt: string | undefined
  onChoose: (readingId: string) => void
  onOverride: () => void
  mayEdit: boolean
}

/** A result over time with all that is said beside it: what it is compared with, where it is going, what happened. */
export function TrendPanel({
  check,
  whole,
  resultId,
  onResult,
  chosenId,
  chosenAt,
  onChoose,
  onOverride,
  mayEdit,
}: Props) {
  const [beside, setBeside] = useState<string[]>([])
  const plot = useRef<uPlot | null>(null)
  const [noting, setNoting] = useState(false)
  const extent = useMemo(() => wholeOf(whole), [whole])
  const zoom = useZoom(extent)
  const outline = useMemo(() => outlineOf(whole), [whole])
  const part = useSettled(
    zoom.isPart && whole.stretches.length > 0
      ? { result: whole.resultId, from: iso(zoom.shown.from), to: iso(zoom.shown.to) }
      : null,
  )
  const zoomed = useQuery({
    ...queries.trend(check.checkId, part ?? {}),
    enabled: part !== null,
    placeholderData: (before) => before,
  })
  const shown =
    zoom.isPart && part !== null && zoomed.data ? { ...zoomed.data, course: whole.course, lastAt: whole.lastAt } : whole
  const others = useQueries({
    queries: beside.map((key) => queries.trend(key.split(' ')[0] ?? '', { result: key.split(' ')[1] ?? '' })),
  })
  const besideTrends = others.flatMap((one) => (one.data ? [one.data] : []))
  const choices = [
    ...whole.sisters.map((sister) => ({
      key: `${sister.checkId} ${whole.resultId}`,
      name: sister.assetTag || sister.assetName,
    })),
    ...whole.others.map((other) => ({ key: `${check.checkId} ${other.id}`, name: other.name })),
  ]
  const toggle = (key: string) =>
    setBeside(beside.includes(key) ? beside.filter((one) => one !== key) : [...beside, key])
  return (
    <div>
      {whole.course && <CourseSay course={whole.course} unit={whole.unit} />}
      <div className="flex flex-wrap items-center gap-x-4 text-[13px]">
        {whole.others.length > 0 && (
          <select
            aria-label={t('trend:result')}
            className="field"
            value={resultId}
            onChange={(event) => onResult(event.target.value)}
          >
            <option value={whole.resultId}>{whole.result}</option>
            {whole.others.map((other) => (
              <option key={other.id} value={other.id}>
                {other.name}
              </option>
            ))}
          </select>
        )}
        {choices.length > 0 && (
          <span role="group" aria-label={t('trend:beside')} className="flex flex-wrap gap-x-3 text-ink2">
            {t('trend:beside')}
            {choices.map((choice) => (
              <label key={choice.key} className="inline-flex min-h-[24px] items-center gap-1">
                <input type="checkbox" checked={beside.includes(choice.key)} onChange={() => toggle(choice.key)} />
                {choice.name}
              </label>
            ))}
          </span>
        )}
        <span role="group" aria-label={t('trend:period')} className="flex gap-3">
          <Button className="min-h-[24px]" onClick={() => zoom.show(null)}>
            {t('trend:periods.all')}
          </Button>
          <Button className="min-h-[24px]" onClick={() => zoom.show({ from: extent.to - 365 * DAY, to: extent.to })}>
            {t('trend:periods.year')}
          </Button>
          <Button className="min-h-[24px]" onClick={() => zoom.show({ from: extent.to - 91 * DAY, to: extent.to })}>
            {t('trend:periods.quarter')}
          </Button>
        </span>
        {mayEdit && (
          <>
            <Button className="min-h-[24px]" onClick={() => setNoting(true)}>
              {t('trend:event.add')}
            </Button>
            <Button className="min-h-[24px]" onClick={onOverride}>
              {t('trend:override.open')}
            </Button>
          </>
        )}
      </div>
      <Trouble error={zoomed.error} />
      <TrendPlot
        trend={shown}
        beside={besideTrends}
        zoom={zoom}
        chosenId={chosenId}
        onChoose={onChoose}
        made={(made) => {
          plot.current = made
        }}
      />
      <RangeStrip whole={extent} zoom={zoom} outline={outline} label={t('trend:strip')} />
      <p className="text-[12px] text-ink3" data-thinned={whole.stretches.length > 0 || undefined}>
        {whole.stretches.length > 0 && `${t('trend:thinned', { n: count(whole.readings) })}. `}
        {t('trend:keys')}
      </p>
      <KeepPlot
        pieces={() =>
          plot.current ? [{ title: `${whole.title}, ${whole.result}, ${whole.unit}`, drawn: plot.current }] : []
        }
        name={`${whole.title}, ${whole.result}`}
        file={(form, part) => trendFile(whole, form, part && { from: iso(part.from), to: iso(part.to) }, beside)}
        shown={zoom.isPart ? zoom.shown : null}
      />
      <EventList events={whole.events} mayEdit={mayEdit} />
      <ReadingsTable trend={whole} />
      {noting && (
        <EventDialog
          nodeId={check.pointId}
          name={`${check.assetTag} ${check.point}`}
          at={chosenAt}
          onClose={() => setNoting(false)}
        />
      )}
    </div>
  )
}

/** The same for those who do not see the plot. */
function ReadingsTable({ trend }: { trend: Trend }) {
  const { day } = useTimes()
  return (
    <div className="sr-only">
      <table>
        <caption>{trend.title}</caption>
        <tbody>
          {trend.points.map((point) => (
            <tr key={point.readingId}>
              <td>{day(point.at)}</td>
              <td>
                {number(point.value, trend.unit)} {unitText(trend.unit)}
              </td>
              <td>{t(`common:verdict.${point.verdict}`)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
