import { useCallback, useMemo, useRef } from 'react'
import uPlot from 'uplot'
import { significant } from '../units/format'
import { t } from '../words/t'
import type { Curve } from '../api/curve'
import { nearestTo, outlineOf } from './curve'
import { drawUprights, placed } from './drawOver'
import { type FileAddress, KeepPlot } from './KeepPlot'
import { axis, colour } from './Plot'
import { RangeStrip } from './RangeStrip'
import { useCursors } from './useCursors'
import { useZoom } from './useZoom'
import { ZoomPlot } from './ZoomPlot'
const HEIGHT = 260

interface Props {
  curve: Curve
  /** The same of another reading, and what it is called. */
  other: { curve: Curve; name: string } | null
  title: string
  file: FileAddress
}

/** Values over time with two cursors and their difference. */
export function SeriesViewer({ curve, other, title, file }: Props) {
  const plot = useRef<uPlot | null>(null)
  const { lines, apart, set } = useCursors()
  const end = curve.x.at(-1) ?? 1
  const whole = useMemo(() => ({ from: 0, to: end }), [end])
  const zoom = useZoom(whole)
  const outline = useMemo(() => outlineOf(curve.x, curve.y), [curve])
  const data = useMemo<uPlot.AlignedData>(
    () =>
      other
        ? uPlot.join([
            [other.curve.x, other.curve.y],
            [curve.x, curve.y],
          ])
        : [curve.x, curve.y],
    [curve, other],
  )
  const options = useMemo(
    () => ({
      padding: [14, 16, 0, 0] as uPlot.Padding,
      scales: { x: { time: false } },
      axes: [
        { ...axis(), size: 26, label: curve.xUnit, labelSize: 16, labelFont: '12px "Source Sans 3"' },
        { ...axis(), size: 52, label: curve.yUnit, labelSize: 18, labelFont: '12px "Source Sans 3"' },
      ],
      series: [
        {},
        ...(other ? [{ stroke: colour('ink3'), width: 1, dash: [2, 2], points: { show: false } }] : []),
        { stroke: colour('ink'), width: 1.1, points: { show: false } },
      ],
    }),
    [curve.xUnit, curve.yUnit, other],
  )
  const draw = useCallback((drawn: uPlot) => drawUprights(drawn, lines, placed()), [lines])
  const valueAt = (at: number) => curve.y[nearestTo(curve.x, at)] ?? 0
  const said = [title, other && `${t('signals:dotted')} ${other.name}`].filter(Boolean).join('; ')
  return (
    <div>
      <ZoomPlot
        options={options}
        data={data}
        height={HEIGHT}
        label={curve.name}
        zoom={zoom}
        draw={draw}
        onPoint={set}
        made={(made) => {
          plot.current = made
        }}
      />
      <RangeStrip whole={whole} zoom={zoom} outline={outline} label={t('signals:strip')} />
      <p className="flex min-h-[24px] flex-wrap gap-x-4 text-[13px]">
        {other && <span className="text-ink2">{`${t('signals:dotted')} ${other.name}`}</span>}
        {lines.length === 0 && <span className="text-ink3">{t('signals:pickTime')}</span>}
        {lines.map((line) => (
          <span key={line.name}>
            <span className="font-semibold">{line.name}</span> {significant(line.at)} {curve.xUnit}{' '}
            <span className="text-ink2">{significant(valueAt(line.at))}</span> {curve.yUnit}
          </span>
        ))}
        {apart !== null && apart !== 0 && (
          <span className="font-semibold">
            {t('signals:timeDifference', { seconds: significant(apart), hz: significant(1 / Math.abs(apart)) })}
          </span>
        )}
        <span className="flex-1 text-right text-[12px] text-ink3">{t('signals:keys')}</span>
      </p>
      <KeepPlot
        pieces={() => (plot.current ? [{ title: said, drawn: plot.current }] : [])}
        name={title}
        file={file}
        shown={zoom.isPart ? zoom.shown : null}
      />
    </div>
  )
}
