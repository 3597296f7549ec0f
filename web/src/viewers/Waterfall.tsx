import { useQuery } from '@tanstack/react-query'
import { useMemo, useRef } from 'react'
import { queries } from '../api/queries'
import type { WaterfallView } from '../api/types'
import { Trouble } from '../parts/Trouble'
import { number } from '../units/format'
import { useTimes } from '../units/useTimes'
import { t } from '../words/t'
import { type FileAddress, KeepPlot } from './KeepPlot'
import { RangeStrip } from './RangeStrip'
import { largestOf } from './spectrumScale'
import { type Span, useZoom } from './useZoom'
const WIDTH = 600
/** From one reading to the next one behind it. */
const STEP = 17
const HIGH = 90
const LEFT = 74
const TICKS = 6
/** Room at the right for half of the last number. */
const RIGHT = 16

/** Round numbers, about so many. */
function evenTicks({ from, to }: Span): number[] {
  const rough = (to - from) / TICKS
  const power = 10 ** Math.floor(Math.log10(rough))
  const step = ([1, 2, 5, 10].find((one) => one * power >= rough) ?? 10) * power
  const first = Math.ceil(from / step)
  return Array.from({ length: Math.floor(to / step) - first + 1 }, (_, i) => (first + i) * step)
}

interface Props {
  checkId: string
  /** Which of the curves, by its id. */
  curve: string
  title: string
  chosenId: string | undefined
  onChoose: (readingId: string) => void
}

/** The spectra of a check one behind the other, the newest in front: what grows is seen to grow. */
export function Waterfall(props: Props) {
  const waterfall = useQuery(queries.waterfall(props.checkId, props.curve))
  if (!waterfall.data)
    return waterfall.error ? <Trouble error={waterfall.error} /> : <p className="text-ink2">{t('common:loading')}</p>
  return <DrawnWaterfall {...props} waterfall={waterfall.data} />
}

function DrawnWaterfall({
  checkId,
  curve,
  title,
  chosenId,
  onChoose,
  waterfall,
}: Props & { waterfall: WaterfallView }) {
  const { day } = useTimes()
  const drawing = useRef<SVGSVGElement>(null)
  const { endHz: end, rows } = waterfall
  const whole = useMemo(() => ({ from: 0, to: end }), [end])
  const zoom = useZoom(whole, waterfall.usualTo < end ? { from: 0, to: waterfall.usualTo } : null)
  const largest = largestOf(rows.map((row) => largestOf(row.values)).concat(1e-12))
  const height = HIGH + rows.length * STEP
  const { shown } = zoom
  const x = (hz: number) => LEFT + ((hz - shown.from) / (shown.to - shown.from)) * (WIDTH - LEFT - RIGHT)
  const pathOf = (values: number[], base: number) => {
    // Of what falls on one pixel the largest is drawn.
    const tops = new Map<number, number>()
    values.forEach((value, i) => {
      const hz = ((i + 0.5) * end) / values.length
      if (hz < shown.from || hz > shown.to) return
      const pixel = Math.round(x(hz))
      tops.set(pixel, Math.max(tops.get(pixel) ?? 0, value))
    })
    const points = [...tops].map(([pixel, value]) => `${pixel} ${(base - (value / largest) * HIGH).toFixed(1)}`)
    return `M${LEFT} ${base}L${points.join('L')}L${WIDTH - RIGHT} ${base}Z`
  }
  const file: FileAddress = (form, part) =>
    `/api/checks/${checkId}/waterfall/file?form=${form}&curve=${encodeURIComponent(curve)}${part ? `&from=${part.from}&to=${part.to}` : ''}`
  const outline = useMemo(
    () => (rows.at(-1)?.values ?? []).map((value, i, all) => ({ x: (i / all.length) * end, low: 0, high: value })),
    [rows, end],
  )
  const ticks = evenTicks(shown)
  return (
    <>
      {rows.length > 0 && (
        <>
          <svg
            ref={drawing}
            viewBox={`0 0 ${WIDTH} ${height + 22}`}
            className="w-full"
            role="group"
            aria-label={t('signals:waterfall')}
          >
            {rows.map((row, i) => {
              const base = HIGH + (i + 1) * STEP - STEP / 2
              const isChosen = row.readingId === chosenId
              return (
                <g
                  key={row.readingId}
                  role="button"
                  tabIndex={0}
                  aria-label={day(row.at)}
                  aria-pressed={isChosen}
                  className="cursor-pointer"
                  onClick={() => onChoose(row.readingId)}
                  onKeyDown={(event) => event.key === 'Enter' && onChoose(row.readingId)}
                >
                  <text
                    x={LEFT - 6}
                    y={base}
                    textAnchor="end"
                    className={`text-[11px] ${isChosen ? 'fill-plum font-semibold' : 'fill-ink2'}`}
                  >
                    {day(row.at)}
                  </text>
                  <path
                    d={pathOf(row.values, base)}
                    className={`fill-paper ${isChosen ? 'stroke-plum' : 'stroke-ink'}`}
                    strokeWidth={isChosen ? 1.3 : 0.8}
                  />
                </g>
              )
            })}
            {ticks.map((hz) => (
              <text key={hz} x={x(hz)} y={height + 16} textAnchor="middle" className="fill-ink2 text-[11px]">
                {Number(hz.toPrecision(6))}
              </text>
            ))}
          </svg>
          <RangeStrip whole={whole} zoom={zoom} outline={outline} label={t('signals:strip')} />
          <p className="text-[12px] text-ink3">
            {t('signals:highest', { value: number(largest, waterfall.unit), unit: `${waterfall.unit} RMS` })}{' '}
            {t('signals:waterfallKeys')}
          </p>
          <KeepPlot
            pieces={() => (drawing.current ? [{ title, drawn: drawing.current }] : [])}
            name={title}
            file={file}
            shown={zoom.isPart ? shown : null}
          />
        </>
      )}
    </>
  )
}
