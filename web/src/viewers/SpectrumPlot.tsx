import { useEffect, useMemo, useRef } from 'react'
import type uPlot from 'uplot'
import type { CurveView, Mark } from '../api/types'
import { axis, colour, Plot } from './Plot'
import { zoomBySelection, zoomByWheel } from './plotGestures'
import type { CursorLine } from './spectrumScale'
import type { Zoom } from './useZoom'

const HEIGHT = 270

interface Props {
  curve: CurveView
  values: number[]
  /** Steps of the axis in one hertz. */
  factor: number
  xUnit: string
  yUnit: string
  zoom: Zoom
  marks: Mark[]
  cursor: CursorLine[]
  onPoint: (hz: number, second: boolean) => void
}

/** Vertical lines with a name, from the bottom of the plot up to its top. */
function drawUprights(plot: uPlot, lines: { name: string; at: number }[], ink: string, dash: number[], isBelow: boolean) {
  const { ctx, bbox } = plot
  const scale = devicePixelRatio
  ctx.save()
  ctx.strokeStyle = ink
  ctx.fillStyle = ink
  ctx.lineWidth = scale
  ctx.setLineDash(dash.map((length) => length * scale))
  ctx.font = `${12 * scale}px "Source Sans 3"`
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

/** The plot of a spectrum; click points, drag and wheel zoom. */
export function SpectrumPlot({ curve, values, factor, xUnit, yUnit, zoom, marks, cursor, onPoint }: Props) {
  const { shown } = zoom
  const acting = useRef({ zoom, onPoint })
  useEffect(() => {
    acting.current = { zoom, onPoint }
  })
  const uprights = cursor.map((line) => `${line.name} ${line.hz}`).join(' ')
  const data = useMemo<uPlot.AlignedData>(() => [curve.x, values], [curve, values])
  const options = useMemo<Omit<uPlot.Options, 'width' | 'height'>>(
    () => ({
      padding: [18, 16, 0, 0],
      legend: { show: false },
      cursor: { y: false, points: { size: 6 }, drag: { x: true, y: false, setScale: false } },
      scales: { x: { time: false, range: () => [shown.from, shown.to] } },
      axes: [
        { ...axis(), size: 26, label: xUnit, labelSize: 16, labelFont: '12px "Source Sans 3"', values: (_, ticks) => ticks.map((tick) => String(Number((tick * factor).toPrecision(6)))) },
        { ...axis(), size: 52, label: yUnit, labelSize: 18, labelFont: '12px "Source Sans 3"' },
      ],
      series: [{}, { stroke: colour('ink'), width: 1.2, fill: yUnit === 'dB' ? undefined : colour('paper3'), points: { show: false } }],
      hooks: {
        draw: [
          (plot) => {
            drawUprights(plot, marks, colour('plum'), [3, 3], false)
            drawUprights(plot, cursor.map((line) => ({ name: line.name, at: line.hz })), colour('ink2'), [], true)
          },
        ],
        setSelect: [(plot) => zoomBySelection(plot, acting.current.zoom)],
        ready: [
          (plot) => {
            plot.over.addEventListener('click', (event) => acting.current.onPoint(plot.posToVal(event.offsetX, 'x'), event.shiftKey))
            zoomByWheel(plot, () => acting.current.zoom)
          },
        ],
      },
    }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the cursor's lines are another list with every render
    [shown, factor, xUnit, yUnit, marks, uprights],
  )
  return <Plot options={options} data={data} height={HEIGHT} label={curve.name} />
}
