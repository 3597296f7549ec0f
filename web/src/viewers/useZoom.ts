import { useCallback, useMemo, useState } from 'react'
import { type Action, runByKey, useLatestActions } from '../actions/actions'

/** A stretch of an axis. */
export interface Span {
  from: number
  to: number
}

const IN = 0.6
const STEP = 0.25
/** What is shown is never less than this share of the whole. */
const LEAST = 1e-6

/**
 * Which stretch of an axis is shown: the whole, or a part that is zoomed and moved.
 * @param first what is shown at first; null for the whole
 */
export function useZoom(whole: Span, first: Span | null = null) {
  const [part, setPart] = useState<Span | null>(first)
  const shown = useMemo(() => part ?? { from: whole.from, to: whole.to }, [part, whole.from, whole.to])
  const show = useCallback(
    (wanted: Span | null) => {
      if (wanted === null) return setPart(null)
      const length = Math.min(whole.to - whole.from, Math.max((whole.to - whole.from) * LEAST, wanted.to - wanted.from))
      const from = Math.min(Math.max(wanted.from, whole.from), whole.to - length)
      setPart(length >= whole.to - whole.from ? null : { from, to: from + length })
    },
    [whole.from, whole.to],
  )
  /** About a point that keeps its place. */
  const zoom = useCallback(
    (factor: number, about: number) =>
      show({ from: about - (about - shown.from) * factor, to: about + (shown.to - about) * factor }),
    [show, shown.from, shown.to],
  )
  const move = useCallback(
    (share: number) => {
      const by = (shown.to - shown.from) * share
      show({ from: shown.from + by, to: shown.to + by })
    },
    [show, shown.from, shown.to],
  )
  const middle = (shown.from + shown.to) / 2
  const actions: Action[] = [
    plotAction('zoom', ['+', '='], () => zoom(IN, middle)),
    plotAction('zoom', ['-'], () => zoom(1 / IN, middle)),
    plotAction('move', ['ArrowLeft'], () => move(-STEP)),
    plotAction('move', ['ArrowRight'], () => move(STEP)),
    plotAction('whole', ['0'], () => show(null)),
  ]
  useLatestActions(actions)
  const onKeyDown = (event: React.KeyboardEvent) => {
    runByKey(actions, event)
  }
  return { shown, isPart: part !== null, show, zoom, onKeyDown }
}

/** What keys do in the plot that has the focus. */
function plotAction(id: 'zoom' | 'move' | 'whole', chords: string[], run: () => void): Action {
  return {
    id: `plot.${id}`,
    does: `signals:plotKeys.${id}.does`,
    keys: `signals:plotKeys.${id}.keys`,
    chords,
    may: true,
    isCommand: false,
    run,
  }
}

export type Zoom = ReturnType<typeof useZoom>
