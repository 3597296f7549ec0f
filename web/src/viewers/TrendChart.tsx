import { useMemo } from 'react'
import type uPlot from 'uplot'
import type { Trend } from '../api/types'
import { day, limit, number } from '../units/format'
import { words } from '../words/en'
import { axis, colour, Plot } from './Plot'
import { drawVerdict } from './shapes'

interface Props {
  trend: Trend
  chosenId: string | undefined
  onChoose: (readingId: string) => void
}

const HEIGHT = 270
/** Room before the first and behind the last reading. */
const MARGIN_SECONDS = 6 * 86_400

function drawLimit(plot: uPlot, value: number, name: string, ink: string) {
  const { ctx, bbox } = plot
  const y = plot.valToPos(value, 'y', true)
  if (y < bbox.top || y > bbox.top + bbox.height) return
  const scale = devicePixelRatio
  ctx.save()
  ctx.strokeStyle = ink
  ctx.fillStyle = ink
  ctx.lineWidth = 1.4 * scale
  ctx.beginPath()
  ctx.moveTo(bbox.left, y)
  ctx.lineTo(bbox.left + bbox.width, y)
  ctx.stroke()
  ctx.font = `${12 * scale}px "Source Sans 3"`
  ctx.textBaseline = 'middle'
  ctx.textAlign = 'left'
  ctx.fillText(`${name} ${limit(value)}`, bbox.left + bbox.width + 6 * scale, y)
  ctx.restore()
}

/** A check over time, its limits as named lines, every reading in the shape of its verdict. */
export function TrendChart({ trend, chosenId, onChoose }: Props) {
  const data = useMemo<uPlot.AlignedData>(
    () => [trend.points.map((point) => new Date(point.at).getTime() / 1000), trend.points.map((point) => point.value)],
    [trend],
  )
  const options = useMemo<Omit<uPlot.Options, 'width' | 'height'>>(() => {
    const highest = Math.max(...trend.points.map((point) => point.value), trend.fail ?? 0, trend.watch ?? 0)
    return {
      padding: [10, 84, 0, 0],
      legend: { show: false },
      cursor: { y: false, points: { show: false } },
      scales: {
        x: { range: (_, from, to) => [from - MARGIN_SECONDS, to + MARGIN_SECONDS] },
        y: { range: () => [0, highest * 1.15 || 1] },
      },
      axes: [
        { ...axis(), grid: { show: false } },
        { ...axis(), size: 44, values: (_, ticks) => ticks.map((tick) => String(tick)) },
      ],
      series: [{}, { stroke: colour('ink'), width: 1.4, points: { show: false } }],
      hooks: {
        drawAxes: [
          (plot) => {
            if (trend.watch !== null) drawLimit(plot, trend.watch, 'watch', colour('watch'))
            if (trend.fail !== null) drawLimit(plot, trend.fail, 'fail', colour('fail'))
          },
        ],
        draw: [
          (plot) => {
            trend.points.forEach((point, i) => {
              const x = plot.valToPos(plot.data[0][i] ?? 0, 'x', true)
              const y = plot.valToPos(point.value, 'y', true)
              if (point.readingId === chosenId) {
                plot.ctx.save()
                plot.ctx.fillStyle = colour('wash')
                plot.ctx.beginPath()
                plot.ctx.arc(x, y, 10 * devicePixelRatio, 0, 2 * Math.PI)
                plot.ctx.fill()
                plot.ctx.restore()
              }
              drawVerdict(plot.ctx, point.verdict, x, y, devicePixelRatio)
            })
          },
        ],
        ready: [
          (plot) =>
            plot.over.addEventListener('click', () => {
              const point = trend.points[plot.cursor.idx ?? -1]
              if (point) onChoose(point.readingId)
            }),
        ],
      },
    }
    // onChoose changes with every render of the page, the plot need not
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [trend, chosenId])
  return (
    <div className="relative">
      <Plot options={options} data={data} height={HEIGHT} label={`${words.plant.trend}: ${trend.title}`} />
      <div className="sr-only">
      <table>
        <caption>{trend.title}</caption>
        <tbody>
          {trend.points.map((point) => (
            <tr key={point.readingId}>
              <td>{day(point.at)}</td>
              <td>
                {number(point.value)} {trend.unit}
              </td>
              <td>{words.verdict[point.verdict]}</td>
            </tr>
          ))}
        </tbody>
      </table>
      </div>
    </div>
  )
}
