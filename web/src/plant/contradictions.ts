import { useSyncExternalStore } from 'react'
import type { Clash } from '../api/client'

const listeners = new Set<() => void>()
let waiting: readonly Clash[] = []

function publish(next: readonly Clash[]) {
  waiting = next
  listeners.forEach((listener) => listener())
}

/** What two people changed differently waits here until somebody chose. */
export function raise(clashes: readonly Clash[]) {
  publish(clashes)
}

export function settle() {
  publish([])
}

export function useContradictions(): readonly Clash[] {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => waiting,
  )
}
