import { useEffect, useMemo, useRef } from 'react'
import uPlot from 'uplot'
import { axisTimes, zoneOf } from '../units/times'
import 'uplot/dist/uPlot.min.css'
import type { LiveChannel, LiveSample } from '../api/types'
import { drawUprights, marks } from '../viewers/drawOver'
import { axis, colour } from '../viewers/Plot'

/** As high as the sheet allows: one or two channels fill it, more of them scroll. */
const heightOf = (plots: number) => (plots === 1 ? 520 : plots === 2 ? 270 : 150)
const MILLIS = 1_000

interface Mark {
  at: string
  text: string
}

interface Props {
  shown: { channel: LiveChannel; at: number }[]
  samples: LiveSample[]
  seconds: number
  marks: Mark[]
}

/** A plot for each channel, one above the other on one running time axis: quantities share no scale. */
export function LivePlots({ shown, samples, seconds, marks }: Props) {
  const to = samples.length > 0 ? new Date(samples[samples.length - 1]?.at ?? '').getTime() / MILLIS : 0
  const times = useMemo(() => samples.map((sample) => new Date(sample.at).getTime() / MILLIS), [samples])
  return (
    <>
      {shown.map(({ channel, at }) => (
        <LivePlot
          key={channel.name}
          channel={channel}
          times={times}
          values={samples.map((sample) => sample.values[at] ?? null)}
          height={heightOf(shown.length)}
          from={to - seconds}
          to={to}
          marks={marks}
        />
      ))}
    </>
  )
}

interface PlotProps {
  channel: LiveChannel
  times: number[]
  values: (number | null)[]
  height: number
  from: number
  to: number
  marks: Mark[]
}

function LivePlot({ channel, times, values, height, from, to, marks }: PlotProps) {
  const place = useRef<HTMLDivElement>(null)
  const plot = useRef<uPlot | null>(null)
  const marked = useRef<Mark[]>(marks)
  useEffect(() => {
    const element = place.current
    if (!element) return
    const width = () => Math.max(200, element.clientWidth)
    const made = new uPlot(optionsOf(channel, width(), height, marked), [[], []], element)
    plot.current = made
    const observer = new ResizeObserver(() => made.setSize({ width: width(), height }))
    observer.observe(element)
    return () => {
      observer.disconnect()
      made.destroy()
      plot.current = null
    }
  }, [channel.name, channel.unit, channel.low, channel.high, height]) // eslint-disable-line react-hooks/exhaustive-deps -- the channel is another object with every event
  useEffect(() => {
    marked.current = marks
    plot.current?.setData([times, values], false)
    plot.current?.setScale('x', { min: from, max: to })
  }, [times, values, from, to, marks])
  return (
    <figure className="mb-2">
      <figcaption className="text-[13px] font-semibold">
        {channel.name} <span className="font-normal text-ink3">{channel.unit}</span>
      </figcaption>
      <div ref={place} role="img" aria-label={channel.name} className="w-full" />
    </figure>
  )
}

function optionsOf(channel: LiveChannel, width: number, height: number, marked: { current: Mark[] }): uPlot.Options {
  const bounds = [channel.low, channel.high].filter((bound): bound is number => bound !== null)
  return {
    width,
    height,
    tzDate: (at) => uPlot.tzDate(new Date(at * 1000), zoneOf(null)),
    padding: [8, 12, 0, 0],
    legend: { show: false },
    cursor: { points: { size: 6 } },
    scales: {
      y: {
        range: (_, low, high) =>
          uPlot.rangeNum(Math.min(low ?? 0, ...bounds), Math.max(high ?? 1, ...bounds), 0.08, true),
      },
    },
    axes: [
      { ...axis(), size: 24, values: (_, splits, __, ___, apart) => axisTimes(null)(splits, apart) },
      { ...axis(), size: 56 },
    ],
    series: [{}, { stroke: colour('ink'), width: 1.4, points: { show: false } }],
    hooks: {
      draw: [
        (made) => drawBounds(made, bounds),
        (made) =>
          drawUprights(
            made,
            marked.current.map((mark) => ({ name: mark.text, at: new Date(mark.at).getTime() / MILLIS })),
            marks(),
          ),
      ],
    },
  }
}

function drawBounds(plot: uPlot, bounds: number[]) {
  const { ctx, bbox } = plot
  ctx.save()
  ctx.strokeStyle = colour('fail')
  ctx.setLineDash([6, 4])
  for (const bound of bounds) {
    const y = plot.valToPos(bound, 'y', true)
    ctx.beginPath()
    ctx.moveTo(bbox.left, y)
    ctx.lineTo(bbox.left + bbox.width, y)
    ctx.stroke()
  }
  ctx.restore()
}
