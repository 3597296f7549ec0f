import { useEffect, useMemo, useRef } from 'react'
import uPlot from 'uplot'
import type { Trend } from '../api/types'
import { axis, Plot } from '../viewers/Plot'
import { axisTimes, zoneOf } from '../units/times'
import { zoomBySelection, zoomByWheel } from '../viewers/plotGestures'
import type { Span, Zoom } from '../viewers/useZoom'
import { t } from '../words/t'
import { drawBaselines, drawCourse, drawEvents, drawLimits, drawLine, drawReadings, seconds } from './drawing'

const HEIGHT = 270
/** How near a click must be to a reading, in pixels. */
const REACH = 14

interface Props {
  trend: Trend
  beside: Trend[]
  zoom: Zoom
  chosenId: string | undefined
  onChoose: (readingId: string) => void
  /** Where the plot can be taken hold of. */
  made: (plot: uPlot | null) => void
}

function valuesOf(trend: Trend): number[] {
  return [
    ...trend.points.map((point) => point.value),
    ...trend.stretches.flatMap((stretch) => [stretch.least, stretch.largest]),
  ]
}

/** From the least to the largest of what is shown and its limits, with zero wherever that is not far. */
function heights(trends: Trend[], shown: Span): [number, number] {
  const within = (at: string) => seconds(at) >= shown.from && seconds(at) <= shown.to
  const values = trends.flatMap((trend) => [
    ...trend.points.filter((point) => within(point.at)).map((point) => point.value),
    ...trend.stretches
      .filter((stretch) => within(stretch.from) || within(stretch.to))
      .flatMap((stretch) => [stretch.least, stretch.largest]),
  ])
  const limits = (trends[0]?.lines ?? [])
    .flatMap((step) => [step.watch, step.fail, step.watchLow, step.failLow])
    .filter((value) => value !== null)
  const all = [...values, ...limits]
  if (all.length === 0) return [0, 1]
  const high = Math.max(...all)
  const low = Math.min(...all)
  const fromNought = low >= 0 && low < 0.6 * high
  const room = (high - (fromNought ? 0 : low) || Math.abs(high) || 1) * 0.12
  return [fromNought ? 0 : low - room, high + room]
}

/** A check over time: limits that step, events as flags, every reading in the shape of its verdict, and where it is going. */
export function TrendPlot({ trend, beside, zoom, chosenId, onChoose, made }: Props) {
  const { shown } = zoom
  const acting = useRef({ zoom, onChoose })
  useEffect(() => {
    acting.current = { zoom, onChoose }
  })
  const besideKeys = beside.map((one) => one.checkId + one.resultId).join(' ')
  const others = useMemo(() => beside.filter((one) => one.unit === trend.unit), [besideKeys, trend.unit]) // eslint-disable-line react-hooks/exhaustive-deps -- another list with every render, of the same trends
  const second = useMemo(() => beside.find((one) => one.unit !== trend.unit), [besideKeys, trend.unit]) // eslint-disable-line react-hooks/exhaustive-deps -- likewise
  const options = useMemo<Omit<uPlot.Options, 'width' | 'height'>>(() => {
    const pick = (plot: uPlot) => {
      const { left, top } = plot.cursor
      if (left === undefined || top === undefined) return
      const distance = (point: Trend['points'][number]) =>
        Math.hypot(plot.valToPos(seconds(point.at), 'x') - left, plot.valToPos(point.value, 'y') - top)
      const nearest = [...trend.points].sort((a, b) => distance(a) - distance(b))[0]
      if (nearest && distance(nearest) < REACH) acting.current.onChoose(nearest.readingId)
    }
    const marks = axisTimes(trend.zone)
    return {
      tzDate: (at) => uPlot.tzDate(new Date(at * 1000), zoneOf(trend.zone)),
      padding: [10, second ? 8 : 84, 0, 0],
      legend: { show: false },
      cursor: { y: false, points: { show: false }, drag: { x: true, y: false, setScale: false } },
      scales: {
        x: { range: () => [shown.from, shown.to] },
        y: { range: () => heights([trend, ...others], shown) },
        other: { range: () => (second ? heights([second], shown) : [0, 1]) },
      },
      axes: [
        { ...axis(), grid: { show: false }, values: (_, splits, __, ___, apart) => marks(splits, apart) },
        { ...axis(), size: 48 },
        {
          ...axis(),
          scale: 'other',
          side: 1,
          size: 76,
          show: second !== undefined,
          grid: { show: false },
          label: second?.unitLabel,
          labelSize: 18,
          labelFont: '12px "Source Sans 3"',
        },
      ],
      series: [
        {},
        { scale: 'y', paths: () => null, points: { show: false } },
        { scale: 'other', paths: () => null, points: { show: false } },
      ],
      hooks: {
        drawAxes: [
          (plot) => {
            drawLimits(plot, trend.lines, trend.unit)
            drawBaselines(plot, trend.baselines)
          },
        ],
        draw: [
          (plot) => {
            others.forEach((one, i) => drawLine(plot, one, i + 1, 'y'))
            if (second) drawLine(plot, second, others.length + 1, 'other')
            drawCourse(plot, trend)
            drawLine(plot, trend, 0, 'y')
            drawReadings(plot, trend, chosenId)
            drawEvents(plot, trend.events)
          },
        ],
        setSelect: [(plot) => zoomBySelection(plot, acting.current.zoom)],
        ready: [
          (plot) => {
            plot.over.addEventListener('click', () => pick(plot))
            zoomByWheel(plot, () => acting.current.zoom)
          },
        ],
      },
    }
  }, [trend, others, second, shown, chosenId])
  const data = useMemo<uPlot.AlignedData>(() => {
    const values = valuesOf(trend)
    return [
      [shown.from, shown.to],
      [Math.min(...values), Math.max(...values)],
      [0, 1],
    ]
  }, [trend, shown])
  return (
    <Plot options={options} data={data} height={HEIGHT} label={`${t('plant:trend')}: ${trend.title}`} made={made} />
  )
}
