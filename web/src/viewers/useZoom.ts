import { useCallback, useMemo, useState } from 'react'

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
  const onKeyDown = (event: React.KeyboardEvent) => {
    const middle = (shown.from + shown.to) / 2
    const acts: Record<string, () => void> = {
      '+': () => zoom(IN, middle),
      '=': () => zoom(IN, middle),
      '-': () => zoom(1 / IN, middle),
      ArrowLeft: () => move(-STEP),
      ArrowRight: () => move(STEP),
      '0': () => show(null),
    }
    const act = acts[event.key]
    if (!act || event.ctrlKey || event.metaKey || event.altKey) return
    event.preventDefault()
    act()
  }
  return { shown, isPart: part !== null, show, zoom, onKeyDown }
}

export type Zoom = ReturnType<typeof useZoom>
