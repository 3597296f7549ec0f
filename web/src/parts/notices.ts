import { useSyncExternalStore } from 'react'

/** A short word about what was done, with its undo. */
export interface Notice {
  id: number
  text: string
  undo?: () => void
}

const UNDO_MILLIS = 10_000
const listeners = new Set<() => void>()
let shown: Notice | null = null
let count = 0

function publish(next: Notice | null) {
  shown = next
  listeners.forEach((listener) => listener())
}

export function say(text: string, undo?: () => void) {
  const notice = { id: ++count, text, undo }
  publish(notice)
  setTimeout(() => shown?.id === notice.id && publish(null), UNDO_MILLIS)
}

export function dismiss() {
  publish(null)
}

export function useNotice(): Notice | null {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => shown,
  )
}
