import { useRef } from 'react'
import type { Span, Zoom } from './useZoom'

const WIDTH = 800
const HEIGHT = 28

interface Props {
  whole: Span
  zoom: Zoom
  /** What the whole looks like, in order. */
  outline: { x: number; low: number; high: number }[]
  label: string
}

/** The whole in small, with a frame round what is shown of it; the frame is dragged, a click puts it there. */
export function RangeStrip({ whole, zoom, outline, label }: Props) {
  const strip = useRef<SVGSVGElement>(null)
  const grabbed = useRef<number | null>(null)
  const length = whole.to - whole.from || 1
  const x = (at: number) => ((at - whole.from) / length) * WIDTH
  const low = Math.min(...outline.map((point) => point.low))
  const high = Math.max(...outline.map((point) => point.high))
  const y = (value: number) => HEIGHT - 2 - ((value - low) / (high - low || 1)) * (HEIGHT - 4)
  const at = (event: React.PointerEvent) => {
    const box = strip.current?.getBoundingClientRect()
    return box ? whole.from + ((event.clientX - box.left) / box.width) * length : whole.from
  }
  const { shown } = zoom
  return (
    <svg
      ref={strip}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      preserveAspectRatio="none"
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={Math.round((((shown.from + shown.to) / 2 - whole.from) / length) * 100)}
      onKeyDown={zoom.onKeyDown}
      className="block h-7 w-full cursor-grab touch-none border border-rule bg-paper2"
      onPointerDown={(event) => {
        const point = at(event)
        const isInside = point >= shown.from && point <= shown.to
        grabbed.current = isInside ? point - shown.from : (shown.to - shown.from) / 2
        event.currentTarget.setPointerCapture(event.pointerId)
        if (!isInside) zoom.show({ from: point - (shown.to - shown.from) / 2, to: point + (shown.to - shown.from) / 2 })
      }}
      onPointerMove={(event) => {
        if (grabbed.current === null) return
        const from = at(event) - grabbed.current
        zoom.show({ from, to: from + (shown.to - shown.from) })
      }}
      onPointerUp={() => {
        grabbed.current = null
      }}
    >
      <path
        d={outline.map((point, i) => `${i === 0 ? 'M' : 'L'}${x(point.x)} ${y(point.low)}V${y(point.high)}`).join('')}
        fill="none"
        className="stroke-ink3"
        strokeWidth="1"
        vectorEffect="non-scaling-stroke"
      />
      <rect
        x={x(shown.from)}
        width={Math.max(3, x(shown.to) - x(shown.from))}
        y="0.5"
        height={HEIGHT - 1}
        className={zoom.isPart ? 'fill-plum/10 stroke-plum' : 'fill-none stroke-rule2'}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  )
}
