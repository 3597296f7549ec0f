import { useEffect, useRef } from 'react'
import uPlot from 'uplot'
import 'uplot/dist/uPlot.min.css'
import { zoomBySelection, zoomByWheel } from './plotGestures'
import type { Zoom } from './useZoom'

interface Props {
  options: Omit<uPlot.Options, 'width' | 'height' | 'legend' | 'cursor' | 'hooks'>
  data: uPlot.AlignedData
  height: number
  label: string
  zoom: Zoom
  /** What is drawn over the lines; another function draws again. */
  draw: (plot: uPlot) => void
  onPoint?: (x: number, second: boolean) => void
  /** The place of the data under the cursor; null where there is none. */
  onMove?: (at: number | null) => void
  /** Plots of one name move their cursors together. */
  together?: string
  /** Where the plot can be taken hold of, for pictures. */
  made: (plot: uPlot | null) => void
}

/** A plot over an axis that is zoomed and moved: by dragging, wheel and keys, without being made again. */
export function ZoomPlot({ options, data, height, label, zoom, draw, onPoint, onMove, together, made }: Props) {
  const place = useRef<HTMLDivElement>(null)
  const plot = useRef<uPlot | null>(null)
  const acting = useRef({ zoom, draw, onPoint, onMove, made })
  useEffect(() => {
    acting.current = { zoom, draw, onPoint, onMove, made }
  })
  useEffect(() => {
    const element = place.current
    if (!element) return
    const width = () => Math.max(200, element.clientWidth)
    const drawn = new uPlot(
      {
        ...options,
        width: width(),
        height,
        legend: { show: false },
        cursor: {
          y: false,
          points: { size: 6 },
          drag: { x: true, y: false, setScale: false },
          ...(together ? { sync: { key: together, setSeries: false } } : {}),
        },
        hooks: {
          draw: [(own) => acting.current.draw(own)],
          setSelect: [(own) => zoomBySelection(own, acting.current.zoom)],
          setCursor: [(own) => acting.current.onMove?.(own.cursor.idx ?? null)],
          ready: [
            (own) => {
              own.over.addEventListener('click', (event) =>
                acting.current.onPoint?.(own.posToVal(event.offsetX, 'x'), event.shiftKey),
              )
              zoomByWheel(own, () => acting.current.zoom)
            },
          ],
        },
      },
      data,
      element,
    )
    const { shown } = acting.current.zoom
    drawn.setScale('x', { min: shown.from, max: shown.to })
    plot.current = drawn
    acting.current.made(drawn)
    const observer = new ResizeObserver(() => drawn.setSize({ width: width(), height }))
    observer.observe(element)
    return () => {
      observer.disconnect()
      drawn.destroy()
      plot.current = null
      acting.current.made(null)
    }
  }, [options, data, height, together])
  useEffect(() => {
    plot.current?.setScale('x', { min: zoom.shown.from, max: zoom.shown.to })
  }, [zoom.shown])
  useEffect(() => {
    plot.current?.redraw(false, false)
  }, [draw])
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- the keys that zoom work on the plot itself, too
    <div
      ref={place}
      role="figure"
      aria-label={label}
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- likewise
      tabIndex={0}
      onKeyDown={zoom.onKeyDown}
      className="w-full"
      style={{ minHeight: height }}
    />
  )
}
