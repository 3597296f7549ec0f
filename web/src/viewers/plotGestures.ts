import type uPlot from 'uplot'
import type { Zoom } from './useZoom'

const IN = 0.8
const LEAST_DRAG = 4

/** What was dragged over is shown, on a plot whose stretch is kept outside of it. */
export function zoomBySelection(plot: uPlot, zoom: Zoom) {
  const { left, width } = plot.select
  if (width < LEAST_DRAG) return
  zoom.show({ from: plot.posToVal(left, 'x'), to: plot.posToVal(left + width, 'x') })
}

/** The wheel zooms about the place it points at. */
export function zoomByWheel(plot: uPlot, zoom: () => Zoom) {
  plot.over.addEventListener(
    'wheel',
    (event) => {
      event.preventDefault()
      zoom().zoom(event.deltaY < 0 ? IN : 1 / IN, plot.posToVal(event.offsetX, 'x'))
    },
    { passive: false },
  )
}
