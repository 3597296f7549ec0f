import type { Verdict } from '../api/types'
import { colour } from './Plot'

const names: Record<Verdict, string> = { PASS: 'pass', WATCH: 'watch', FAIL: 'fail', NOT_JUDGED: 'unjudged' }

/** Draws a verdict's shape on a plot, the same as in tables. */
export function drawVerdict(context: CanvasRenderingContext2D, verdict: Verdict, x: number, y: number, scale: number) {
  const r = 5 * scale
  context.save()
  context.strokeStyle = colour(names[verdict])
  context.fillStyle = colour(names[verdict])
  context.lineWidth = 1.6 * scale
  context.setLineDash(verdict === 'NOT_JUDGED' ? [2.2 * scale, 2.2 * scale] : [])
  context.beginPath()
  if (verdict === 'FAIL') {
    context.moveTo(x - r, y - r * 0.8)
    context.lineTo(x + r, y - r * 0.8)
    context.lineTo(x, y + r)
    context.closePath()
    context.fill()
  } else if (verdict === 'WATCH') {
    polygon(context, x, y, r * 1.15, true)
    context.fillStyle = colour('paper')
    context.fill()
    context.stroke()
    context.beginPath()
    polygon(context, x, y, r * 1.15, false)
    context.fillStyle = colour('watch')
    context.fill()
  } else {
    context.arc(x, y, r * 0.85, 0, 2 * Math.PI)
    context.fillStyle = colour('paper')
    context.fill()
    context.stroke()
  }
  context.restore()
}

/** A lozenge, whole or its left half. */
function polygon(context: CanvasRenderingContext2D, x: number, y: number, r: number, whole: boolean) {
  context.moveTo(x, y - r)
  if (whole) context.lineTo(x + r, y)
  context.lineTo(x, y + r)
  context.lineTo(x - r, y)
  context.closePath()
}
