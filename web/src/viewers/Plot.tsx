import { useEffect, useRef } from 'react'
import uPlot from 'uplot'
import 'uplot/dist/uPlot.min.css'
import { written } from '../units/locale'

/** More than any axis shows, fewer than what is lost on the way. */
const TICK_DIGITS = 12

interface Props {
  options: Omit<uPlot.Options, 'width' | 'height'>
  data: uPlot.AlignedData
  height: number
  label: string
  /** Where the plot can be taken hold of. */
  made?: (plot: uPlot | null) => void
}

/** A plot as wide as its place. Remade when what it shows changes; its place stays as high, or the page would move. */
export function Plot({ options, data, height, label, made }: Props) {
  const place = useRef<HTMLDivElement>(null)
  const telling = useRef(made)
  useEffect(() => {
    telling.current = made
  })
  useEffect(() => {
    const element = place.current
    if (!element) return
    const plot = new uPlot({ ...options, width: Math.max(200, element.clientWidth), height }, data, element)
    telling.current?.(plot)
    const observer = new ResizeObserver(() => plot.setSize({ width: Math.max(200, element.clientWidth), height }))
    observer.observe(element)
    return () => {
      observer.disconnect()
      plot.destroy()
      telling.current?.(null)
    }
  }, [options, data, height])
  return <div ref={place} role="img" aria-label={label} className="w-full" style={{ minHeight: height }} />
}

/** A colour of the look as it is now, light or dark. */
export function colour(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim()
}

export function axis(): Pick<uPlot.Axis, 'stroke' | 'grid' | 'ticks' | 'font' | 'values'> {
  return {
    stroke: colour('ink2'),
    grid: { stroke: colour('rule'), width: 1 },
    ticks: { show: false },
    font: '12px "Source Sans 3"',
    // The plot's own way would be that of the browser, not of the language that is spoken.
    values: (_, ticks) => ticks.map(tickText),
  }
}

/** A number at an axis, with the decimal mark of the language. */
export function tickText(tick: number): string {
  return written(String(Number(tick.toPrecision(TICK_DIGITS))))
}
