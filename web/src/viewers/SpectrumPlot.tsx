import { useCallback, useMemo } from 'react'
import type uPlot from 'uplot'
import type { Mark } from '../api/types'
import type { Curve } from '../api/curve'
import { drawLevels, drawStretches, drawUprights, known, type Level, placed, type Stretch } from './drawOver'
import { axis, colour, tickText } from './Plot'
import type { CursorLine } from './spectrumScale'
import type { Zoom } from './useZoom'
import { ZoomPlot } from './ZoomPlot'

const HEIGHT = 270

interface Props {
  curve: Curve
  values: number[]
  /** The same of another reading, drawn behind. */
  other: { x: number[]; values: number[] } | null
  /** Steps of the axis in one hertz. */
  factor: number
  xUnit: string
  yUnit: string
  zoom: Zoom
  marks: Mark[]
  cursor: CursorLine[]
  bands: Stretch[]
  levels: Level[]
  onPoint: (hz: number, second: boolean) => void
  made: (plot: uPlot | null) => void
}

/** Values of a curve at the places of another one, by the largest between them: a peak is not lost. */
function atPlacesOf(x: number[], other: { x: number[]; values: number[] }): number[] {
  let at = 0
  return x.map((place, i) => {
    const end = (place + (x[i + 1] ?? place + (place - (x[i - 1] ?? 0)))) / 2
    let largest = -Infinity
    while (at < other.x.length && (other.x[at] ?? 0) < end) {
      largest = Math.max(largest, other.values[at] ?? -Infinity)
      at++
    }
    return largest
  })
}

/** The plot of a spectrum; click points, drag and wheel zoom. */
export function SpectrumPlot({
  curve,
  values,
  other,
  factor,
  xUnit,
  yUnit,
  zoom,
  marks,
  cursor,
  bands,
  levels,
  onPoint,
  made,
}: Props) {
  const data = useMemo<uPlot.AlignedData>(
    () =>
      other
        ? [curve.x, atPlacesOf(curve.x, other).map((value) => (Number.isFinite(value) ? value : null)), values]
        : [curve.x, values],
    [curve, values, other],
  )
  const options = useMemo(
    () => ({
      padding: [18, 16, 0, 0] as uPlot.Padding,
      scales: { x: { time: false } },
      axes: [
        {
          ...axis(),
          size: 26,
          label: xUnit,
          labelSize: 16,
          labelFont: '12px "Source Sans 3"',
          values: (_: uPlot, ticks: number[]) => ticks.map((tick) => tickText(tick * factor)),
        },
        { ...axis(), size: 52, label: yUnit, labelSize: 18, labelFont: '12px "Source Sans 3"' },
      ],
      series: [
        {},
        ...(other ? [{ stroke: colour('ink3'), width: 1, dash: [2, 2], spanGaps: true, points: { show: false } }] : []),
        {
          stroke: colour('ink'),
          width: 1.2,
          fill: yUnit === 'dB' || other ? undefined : colour('paper3'),
          points: { show: false },
        },
      ],
    }),
    [factor, xUnit, yUnit, other],
  )
  const draw = useCallback(
    (plot: uPlot) => {
      drawStretches(plot, bands)
      drawLevels(plot, levels)
      drawUprights(plot, marks, known())
      drawUprights(
        plot,
        cursor.map((line) => ({ name: line.name, at: line.hz })),
        placed(),
      )
    },
    [bands, levels, marks, cursor],
  )
  return (
    <ZoomPlot
      options={options}
      data={data}
      height={HEIGHT}
      label={curve.name}
      zoom={zoom}
      draw={draw}
      onPoint={onPoint}
      made={made}
    />
  )
}
