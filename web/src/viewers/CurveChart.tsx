import { useMemo } from 'react'
import type uPlot from 'uplot'
import type { CurveView, Mark } from '../api/types'
import { axis, colour, Plot } from './Plot'

const HEIGHT = 290

/** Vertical lines at places that mean something, each with its name at the top. */
function drawMarks(plot: uPlot, marks: Mark[]) {
  const { ctx, bbox } = plot
  const scale = devicePixelRatio
  ctx.save()
  ctx.strokeStyle = colour('plum')
  ctx.fillStyle = colour('plum')
  ctx.lineWidth = scale
  ctx.setLineDash([3 * scale, 3 * scale])
  ctx.font = `${12 * scale}px "Source Sans 3"`
  ctx.textAlign = 'center'
  ctx.textBaseline = 'bottom'
  for (const mark of marks) {
    const x = plot.valToPos(mark.at, 'x', true)
    if (x < bbox.left || x > bbox.left + bbox.width) continue
    ctx.beginPath()
    ctx.moveTo(x, bbox.top)
    ctx.lineTo(x, bbox.top + bbox.height)
    ctx.stroke()
    ctx.fillText(mark.name, x, bbox.top - 1)
  }
  ctx.restore()
}

/** What is marked fills the plot: the rest of a spectrum is one drag away. */
function endOf(marks: Mark[], curve: CurveView): number {
  const last = curve.x.at(-1) ?? 1
  return marks.length === 0 ? last : Math.min(last, Math.max(...marks.map((mark) => mark.at)) * 1.4)
}

const nothing: Mark[] = []

/** Lines over frequency or a series over time; the legend gives the value under the cursor, dragging zooms. */
export function CurveChart({ curve, marks = nothing }: { curve: CurveView; marks?: Mark[] }) {
  const data = useMemo<uPlot.AlignedData>(() => [curve.x, curve.y], [curve])
  const options = useMemo<Omit<uPlot.Options, 'width' | 'height'>>(
    () => ({
      padding: [marks.length > 0 ? 18 : 10, 16, 0, 0],
      cursor: { drag: { x: true, y: false }, points: { size: 6 } },
      scales: { x: { time: false, min: curve.x[0] ?? 0, max: endOf(marks, curve) } },
      hooks: { draw: [(plot) => drawMarks(plot, marks)] },
      axes: [
        { ...axis(), size: 26, label: curve.xUnit, labelSize: 16, labelFont: '12px "Source Sans 3"' },
        { ...axis(), size: 52, label: curve.kind === 'lines' ? `${curve.yUnit} RMS` : curve.yUnit, labelSize: 18, labelFont: '12px "Source Sans 3"' },
      ],
      series: [
        { label: curve.xUnit, value: (_, value) => (value === null ? '' : value.toPrecision(5)) },
        {
          label: curve.yUnit,
          stroke: colour('ink'),
          width: 1.2,
          fill: curve.kind === 'lines' ? colour('paper3') : undefined,
          points: { show: false },
          value: (_, value) => (value === null ? '' : value.toPrecision(4)),
        },
      ],
    }),
    [curve, marks],
  )
  return <Plot options={options} data={data} height={HEIGHT} label={curve.name} />
}
