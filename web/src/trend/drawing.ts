import type uPlot from 'uplot'
import type { LimitStep, PlantEvent, Trend } from '../api/types'
import { limit } from '../units/format'
import { clipped, font } from '../viewers/drawOver'
import { colour } from '../viewers/Plot'
import { drawVerdict } from '../viewers/shapes'
import { t } from '../words/t'

export const seconds = (at: string) => new Date(at).getTime() / 1000

/** Between readings further apart than so many usual intervals nothing is known. */
const GAP = 3
const DASHES = [[], [7, 4], [2, 3], [9, 3, 2, 3], [4, 4], [12, 4]]

/** Dash pattern of a further line: lines are told apart by pattern and name, never by the colours of verdicts. */
export const dashOf = (line: number) => DASHES[line % DASHES.length] ?? []

interface Boundary {
  value: number | null
  name: 'watch' | 'fail'
}

const boundaries = (step: LimitStep): Boundary[] => [
  { value: step.watch, name: 'watch' },
  { value: step.fail, name: 'fail' },
  { value: step.watchLow, name: 'watch' },
  { value: step.failLow, name: 'fail' },
]

/** Boundaries as they held over time: they step where the limit changed, and are named at the right where they still hold. */
export function drawLimits(plot: uPlot, steps: LimitStep[], unit: string) {
  const { bbox } = plot
  const scale = devicePixelRatio
  for (const step of steps) {
    const left = step.from === null ? bbox.left : plot.valToPos(seconds(step.from), 'x', true)
    const right = step.to === null ? bbox.left + bbox.width : plot.valToPos(seconds(step.to), 'x', true)
    for (const { value, name } of boundaries(step)) {
      if (value === null) continue
      const y = plot.valToPos(value, 'y', true)
      clipped(plot, (ctx) => {
        ctx.strokeStyle = colour(name)
        ctx.lineWidth = 1.4 * scale
        ctx.beginPath()
        ctx.moveTo(left, y)
        ctx.lineTo(right, y)
        ctx.stroke()
      })
      if (step.to === null && y > bbox.top && y < bbox.top + bbox.height) {
        const { ctx } = plot
        ctx.save()
        ctx.fillStyle = colour(name)
        ctx.font = font()
        ctx.textBaseline = 'middle'
        ctx.textAlign = 'left'
        ctx.fillText(t(`trend:boundary.${name}`, { value: limit(value, unit) }), bbox.left + bbox.width + 6 * scale, y)
        ctx.restore()
      }
    }
  }
}

/** Baselines as brackets along the time axis. */
export function drawBaselines(plot: uPlot, periods: Trend['baselines']) {
  const { bbox } = plot
  const scale = devicePixelRatio
  clipped(plot, (ctx) => {
    ctx.strokeStyle = colour('ink3')
    ctx.fillStyle = colour('ink3')
    ctx.lineWidth = scale
    ctx.font = font(11)
    ctx.textAlign = 'left'
    ctx.textBaseline = 'bottom'
    const y = bbox.top + bbox.height - 4 * scale
    for (const period of periods) {
      const from = plot.valToPos(seconds(period.from), 'x', true)
      const to = plot.valToPos(seconds(period.to), 'x', true)
      ctx.beginPath()
      ctx.moveTo(from, y - 4 * scale)
      ctx.lineTo(from, y)
      ctx.lineTo(to, y)
      ctx.lineTo(to, y - 4 * scale)
      ctx.stroke()
      if (to - from > 50 * scale) ctx.fillText(t('trend:baseline'), from + 4 * scale, y - 1 * scale)
    }
  })
}

/** What happened, as a line with a pennant at its top. */
export function drawEvents(plot: uPlot, events: PlantEvent[]) {
  const { bbox } = plot
  const scale = devicePixelRatio
  clipped(plot, (ctx) => {
    ctx.strokeStyle = colour('ink2')
    ctx.font = font(11)
    ctx.textBaseline = 'middle'
    ctx.lineWidth = scale
    for (const event of events) {
      const x = plot.valToPos(seconds(event.at), 'x', true)
      const name = t(`trend:event.kinds.${event.kind}`)
      const width = ctx.measureText(name).width + 10 * scale
      const left = x + width > bbox.left + bbox.width ? x - width : x
      ctx.beginPath()
      ctx.moveTo(x, bbox.top)
      ctx.lineTo(x, bbox.top + bbox.height)
      ctx.stroke()
      ctx.fillStyle = colour('paper3')
      ctx.fillRect(left, bbox.top, width, 16 * scale)
      ctx.strokeRect(left, bbox.top, width, 16 * scale)
      ctx.fillStyle = colour('ink')
      ctx.textAlign = 'left'
      ctx.fillText(name, left + 5 * scale, bbox.top + 8.5 * scale)
    }
  })
}

/** The course: the line as far as it was measured, then dashed within the band that opens to the dates of reaching the limit. */
export function drawCourse(plot: uPlot, trend: Trend) {
  const course = trend.course
  if (!course || course.path.length < 2) return
  const at = (point: { at: string; value: number }) =>
    [plot.valToPos(seconds(point.at), 'x', true), plot.valToPos(point.value, 'y', true)] as const
  const measured = trend.lastAt === null ? 0 : plot.valToPos(seconds(trend.lastAt), 'x', true)
  clipped(plot, (ctx) => {
    ctx.strokeStyle = colour('plum')
    ctx.lineWidth = 1.2 * devicePixelRatio
    const reaching = course.reaching
    if (reaching) {
      const level = plot.valToPos(reaching.value, 'y', true)
      const begin =
        course.path.findLast((point) => plot.valToPos(seconds(point.at), 'x', true) <= measured) ?? course.path[0]
      const latest =
        reaching.latest === null ? plot.bbox.left + plot.bbox.width : plot.valToPos(seconds(reaching.latest), 'x', true)
      if (begin) {
        ctx.fillStyle = colour('plum')
        ctx.globalAlpha = 0.13
        ctx.beginPath()
        ctx.moveTo(...at(begin))
        ctx.lineTo(plot.valToPos(seconds(reaching.earliest), 'x', true), level)
        ctx.lineTo(latest, level)
        ctx.closePath()
        ctx.fill()
        ctx.globalAlpha = 1
      }
    }
    for (const isMeasured of [true, false]) {
      ctx.save()
      ctx.setLineDash(isMeasured ? [] : [5 * devicePixelRatio, 4 * devicePixelRatio])
      ctx.beginPath()
      ctx.rect(
        isMeasured ? plot.bbox.left : measured,
        plot.bbox.top,
        isMeasured ? measured - plot.bbox.left : plot.bbox.width,
        plot.bbox.height,
      )
      ctx.clip()
      ctx.beginPath()
      course.path.forEach((point, i) => (i === 0 ? ctx.moveTo(...at(point)) : ctx.lineTo(...at(point))))
      ctx.stroke()
      ctx.restore()
    }
  })
}

/** Readings joined by a line; where the calendar shows a gap, the line is broken off. */
export function drawLine(plot: uPlot, trend: Trend, line: number, axis: string) {
  const xs = trend.points.map((point) => seconds(point.at))
  const gaps = xs.slice(1).map((x, i) => x - (xs[i] ?? x))
  const usual = [...gaps].sort((a, b) => a - b)[Math.floor(gaps.length / 2)] ?? 0
  const dash = dashOf(line).map((length) => length * devicePixelRatio)
  clipped(plot, (ctx) => {
    ctx.strokeStyle = colour(line === 0 ? 'ink' : 'ink2')
    ctx.lineWidth = (line === 0 ? 1.4 : 1.2) * devicePixelRatio
    ctx.setLineDash(dash)
    ctx.beginPath()
    trend.points.forEach((point, i) => {
      const x = plot.valToPos(xs[i] ?? 0, 'x', true)
      const y = plot.valToPos(point.value, axis, true)
      const isBroken = i === 0 || (gaps[i - 1] ?? 0) > GAP * usual
      if (isBroken) ctx.moveTo(x, y)
      else ctx.lineTo(x, y)
    })
    for (const stretch of trend.stretches) {
      const x = plot.valToPos((seconds(stretch.from) + seconds(stretch.to)) / 2, 'x', true)
      ctx.moveTo(x, plot.valToPos(stretch.least, axis, true))
      ctx.lineTo(x, plot.valToPos(stretch.largest, axis, true) - 1)
    }
    ctx.stroke()
    const last = trend.points.at(-1)
    if (line > 0 && last) {
      ctx.setLineDash([])
      ctx.fillStyle = colour('ink2')
      ctx.font = font(11)
      ctx.textAlign = 'right'
      ctx.textBaseline = 'bottom'
      ctx.fillText(
        trend.assetTag,
        plot.valToPos(seconds(last.at), 'x', true),
        plot.valToPos(last.value, axis, true) - 4 * devicePixelRatio,
      )
    }
  })
}

/** Each reading in the shape of its verdict; one that a person judged is ringed twice. */
export function drawReadings(plot: uPlot, trend: Trend, chosenId: string | undefined) {
  const scale = devicePixelRatio
  clipped(plot, (ctx) => {
    for (const point of trend.points) {
      const x = plot.valToPos(seconds(point.at), 'x', true)
      const y = plot.valToPos(point.value, 'y', true)
      if (point.readingId === chosenId) {
        ctx.fillStyle = colour('wash')
        ctx.beginPath()
        ctx.arc(x, y, 10 * scale, 0, 2 * Math.PI)
        ctx.fill()
      }
      drawVerdict(ctx, point.verdict, x, y, scale)
      if (point.notes?.overridden) {
        ctx.strokeStyle = colour('plum')
        ctx.lineWidth = 1.2 * scale
        ctx.beginPath()
        ctx.arc(x, y, 8.5 * scale, 0, 2 * Math.PI)
        ctx.stroke()
      }
    }
  })
}
