import { useCallback, useMemo } from 'react'
import uPlot from 'uplot'
import { elapsed, limit } from '../units/format'
import { drawLevels, drawName, drawUprights, known, type Level, placed, type Upright } from '../viewers/drawOver'
import { axis, colour } from '../viewers/Plot'
import type { Zoom } from '../viewers/useZoom'
import { ZoomPlot } from '../viewers/ZoomPlot'
import type { RunView } from '../api/types'
import { t } from '../words/t'
import { type Channel, heightsOf, type Lane } from './lanes'

const TOGETHER = 'run'
const STEPS_OF_TIME = [
  1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 900, 1800, 3600, 7200, 10_800, 21_600, 43_200, 86_400, 172_800, 604_800,
]
const TONES = [
  { ink: 'ink', dash: [] },
  { ink: 'ink3', dash: [] },
  { ink: 'ink', dash: [6, 3] },
  { ink: 'ink3', dash: [2, 2] },
]

/** How the line of a lane's channel is drawn: lines are told apart by tone and pattern, never by the colours of verdicts. */
export const toneOf = (place: number) => TONES[place % TONES.length] ?? { ink: 'ink', dash: [] }

interface Props {
  lane: Lane
  seconds: number[]
  other: RunView | null
  chosen: string | null
  height: number
  zoom: Zoom
  markers: Upright[]
  /** The lanes share one axis of time, told below the last of them. */
  isLast: boolean
  /** What is marked is named above the first of them. */
  isFirst: boolean
  cursor: Upright[]
  onPoint: (at: number, second: boolean) => void
  onMove: (at: number | null) => void
  made: (plot: uPlot | null) => void
}

function levelsOf(channels: Channel[]): Level[] {
  const named = channels.length > 1
  return channels.flatMap((channel) =>
    [channel.low, channel.high].flatMap((bound): Level[] =>
      bound === null
        ? []
        : [
            {
              name: named ? `${channel.name} ${limit(bound, channel.unit)}` : limit(bound, channel.unit),
              value: bound,
              kind: 'fail',
            },
          ],
    ),
  )
}

/** The channels of one unit over the time of the run. */
export function LanePlot({
  lane,
  seconds,
  other,
  chosen,
  height,
  zoom,
  markers,
  isFirst,
  isLast,
  cursor,
  onPoint,
  onMove,
  made,
}: Props) {
  const { channels, unit } = lane
  const others = useMemo(
    () =>
      channels.flatMap(
        (channel) => other?.channels.filter((one) => one.name === channel.name && one.unit === channel.unit) ?? [],
      ),
    [channels, other],
  )
  const data = useMemo<uPlot.AlignedData>(() => {
    const own: uPlot.AlignedData = [seconds, ...channels.map((channel) => channel.values)]
    return other && others.length > 0
      ? uPlot.join([own, [other.seconds, ...others.map((channel) => channel.values)]])
      : own
  }, [seconds, channels, other, others])
  const levels = useMemo(() => levelsOf(channels), [channels])
  const options = useMemo(() => {
    const bounds = levels.map((level) => level.value)
    return {
      padding: [18, 34, 0, 0] as uPlot.Padding,
      scales: {
        x: { time: false },
        y: {
          range: (_: uPlot, low: number | null, high: number | null): [number, number] => heightsOf(low, high, bounds),
        },
      },
      axes: [
        {
          ...axis(),
          size: isLast ? 24 : 4,
          incrs: STEPS_OF_TIME,
          values: (_: uPlot, ticks: number[]) => ticks.map((tick) => (isLast ? elapsed(tick) : '')),
          space: 90,
        },
        { ...axis(), size: 56, label: unit, labelSize: 16, labelFont: '12px "Source Sans 3"' },
      ],
      series: [
        {},
        ...channels.map((channel, i) => ({
          label: channel.name,
          stroke: colour(channel.name === chosen ? 'plum' : toneOf(i).ink),
          width: channel.name === chosen ? 1.8 : 1.1,
          dash: toneOf(i).dash,
          points: { show: false },
        })),
        ...others.map((channel) => ({
          label: channel.name,
          stroke: colour('ink3'),
          width: 0.8,
          dash: [1, 2],
          points: { show: false },
        })),
      ],
    }
  }, [levels, channels, unit, others, chosen, isLast])
  const draw = useCallback(
    (plot: uPlot) => {
      drawLevels(plot, levels)
      drawUprights(plot, isFirst ? markers : markers.map((marker) => ({ ...marker, name: '' })), known())
      drawName(plot, channels.map((channel) => channel.name).join(', '))
      drawUprights(plot, cursor, placed())
    },
    [levels, markers, isFirst, channels, cursor],
  )
  return (
    <ZoomPlot
      options={options}
      data={data}
      height={height}
      label={`${t('signals:run')}: ${channels.map((channel) => channel.name).join(', ')}`}
      zoom={zoom}
      draw={draw}
      onPoint={onPoint}
      onMove={onMove}
      together={TOGETHER}
      made={made}
    />
  )
}
