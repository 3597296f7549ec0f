import { useSyncExternalStore } from 'react'
import type { Clash } from '../api/client'

const listeners = new Set<() => void>()

/** What two people changed differently, and how the later one's own wish is carried out after all. */
export interface Contradiction {
  clashes: readonly Clash[]
  takeMine: () => void
}

let waiting: Contradiction | null = null

function publish(next: Contradiction | null) {
  waiting = next
  listeners.forEach((listener) => listener())
}

/** Waits here until somebody chose. */
export function raise(contradiction: Contradiction) {
  publish(contradiction)
}

export function settle() {
  publish(null)
}

export function useContradiction(): Contradiction | null {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => waiting,
  )
}
