import { useMemo } from 'react'
import type uPlot from 'uplot'
import type { CurveView } from '../api/types'
import { axis, colour, Plot } from './Plot'

const HEIGHT = 290

/** Lines over frequency or a series over time; the legend gives the value under the cursor, dragging zooms. */
export function CurveChart({ curve }: { curve: CurveView }) {
  const data = useMemo<uPlot.AlignedData>(() => [curve.x, curve.y], [curve])
  const options = useMemo<Omit<uPlot.Options, 'width' | 'height'>>(
    () => ({
      padding: [10, 16, 0, 0],
      cursor: { drag: { x: true, y: false }, points: { size: 6 } },
      scales: { x: { time: false } },
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
    [curve],
  )
  return <Plot options={options} data={data} height={HEIGHT} label={curve.name} />
}
