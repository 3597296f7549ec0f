import type uPlot from 'uplot'
import { colour } from './Plot'

export interface Upright {
  name: string
  at: number
}

interface Manner {
  ink: string
  dash: number[]
  isBelow: boolean
}

/** Marks that are known beforehand stand above the plot, those that somebody set within it. */
export const known = (): Manner => ({ ink: colour('plum'), dash: [3, 3], isBelow: false })
/** Moments that are marked while they pass. */
export const marks = (): Manner => ({ ink: colour('plum'), dash: [], isBelow: true })
export const placed = (): Manner => ({ ink: colour('ink2'), dash: [], isBelow: true })

export const font = (size = 12) => `${size * devicePixelRatio}px "Source Sans 3"`

/** Draws within the plot, never over its axes. */
export function clipped(plot: uPlot, draw: (ctx: CanvasRenderingContext2D) => void) {
  const { ctx, bbox } = plot
  ctx.save()
  ctx.beginPath()
  ctx.rect(bbox.left, bbox.top, bbox.width, bbox.height)
  ctx.clip()
  draw(ctx)
  ctx.restore()
}

/** Vertical lines with a name, from the bottom of the plot up to its top. */
export function drawUprights(plot: uPlot, lines: Upright[], { ink, dash, isBelow }: Manner) {
  const { ctx, bbox } = plot
  const scale = devicePixelRatio
  ctx.save()
  ctx.strokeStyle = ink
  ctx.fillStyle = ink
  ctx.lineWidth = scale
  ctx.setLineDash(dash.map((length) => length * scale))
  ctx.font = font()
  ctx.textAlign = isBelow ? 'left' : 'center'
  ctx.textBaseline = isBelow ? 'top' : 'bottom'
  for (const line of lines) {
    const x = plot.valToPos(line.at, 'x', true)
    if (x < bbox.left || x > bbox.left + bbox.width) continue
    ctx.beginPath()
    ctx.moveTo(x, bbox.top)
    ctx.lineTo(x, bbox.top + bbox.height)
    ctx.stroke()
    ctx.fillText(line.name, isBelow ? x + 3 * scale : x, isBelow ? bbox.top + 3 * scale : bbox.top - scale)
  }
  ctx.restore()
}

export interface Level {
  name: string
  value: number
  kind: 'watch' | 'fail'
  /** Where it holds; all over where nothing is said. */
  from?: number
  to?: number
}

/** Boundaries as level lines, named at their right end. */
export function drawLevels(plot: uPlot, levels: Level[]) {
  const { bbox } = plot
  const scale = devicePixelRatio
  clipped(plot, (ctx) => {
    ctx.lineWidth = 1.4 * scale
    ctx.setLineDash([])
    ctx.font = font(11)
    for (const level of levels) {
      const y = plot.valToPos(level.value, 'y', true)
      const left = level.from === undefined ? bbox.left : Math.max(bbox.left, plot.valToPos(level.from, 'x', true))
      const right =
        level.to === undefined
          ? bbox.left + bbox.width
          : Math.min(bbox.left + bbox.width, plot.valToPos(level.to, 'x', true))
      if (right <= left) continue
      ctx.strokeStyle = colour(level.kind)
      ctx.fillStyle = colour(level.kind)
      ctx.beginPath()
      ctx.moveTo(left, y)
      ctx.lineTo(right, y)
      ctx.stroke()
      ctx.textAlign = level.to === undefined ? 'right' : 'left'
      const hasRoomAbove = y - bbox.top > 14 * scale
      ctx.textBaseline = hasRoomAbove ? 'bottom' : 'top'
      ctx.fillText(
        level.name,
        level.to === undefined ? right - 4 * scale : left + 3 * scale,
        y + (hasRoomAbove ? -scale : 2 * scale),
      )
    }
  })
}

export interface Stretch {
  name: string
  from: number
  to: number
}

/** Names of neighbours stand on lines of their own. */
const ROWS_OF_NAMES = 3

/** Stretches of the axis as bands from bottom to top, with their names. */
export function drawStretches(plot: uPlot, stretches: Stretch[]) {
  const { bbox } = plot
  const scale = devicePixelRatio
  clipped(plot, (ctx) => {
    ctx.fillStyle = colour('plum')
    ctx.font = font(11)
    ctx.textAlign = 'left'
    ctx.textBaseline = 'top'
    stretches.forEach((stretch, i) => {
      const left = plot.valToPos(stretch.from, 'x', true)
      const right = plot.valToPos(stretch.to, 'x', true)
      ctx.globalAlpha = 0.09
      ctx.fillRect(left, bbox.top, Math.max(scale, right - left), bbox.height)
      ctx.globalAlpha = 1
      ctx.fillText(stretch.name, left + 3 * scale, bbox.top + (3 + 13 * (i % ROWS_OF_NAMES)) * scale)
    })
  })
}

/** What a plot is of, above it, where several stand one below the other. */
export function drawName(plot: uPlot, name: string) {
  const { ctx, bbox } = plot
  ctx.save()
  ctx.fillStyle = colour('ink')
  ctx.font = `600 ${12 * devicePixelRatio}px "Source Sans 3"`
  ctx.textAlign = 'left'
  ctx.textBaseline = 'bottom'
  ctx.fillText(name, bbox.left, bbox.top - devicePixelRatio)
  ctx.restore()
}
