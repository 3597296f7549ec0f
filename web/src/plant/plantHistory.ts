import { useSyncExternalStore } from 'react'

/** What was done to the plant in this session, to be taken back and done again in order. */
interface Session {
  done: readonly string[]
  undone: readonly string[]
}

const listeners = new Set<() => void>()
let session: Session = { done: [], undone: [] }

function publish(next: Session) {
  session = next
  listeners.forEach((listener) => listener())
}

/** A fresh change: what was taken back before it cannot be done again. */
export function remember(changeId: string) {
  publish({ done: [...session.done, changeId], undone: [] })
}

export function rememberUndone(changeId: string) {
  publish({
    done: session.done.filter((id) => id !== changeId),
    undone: [...session.undone.filter((id) => id !== changeId), changeId],
  })
}

export function rememberRedone(changeId: string) {
  publish({ done: [...session.done, changeId], undone: session.undone.filter((id) => id !== changeId) })
}

export function forgetSession() {
  publish({ done: [], undone: [] })
}

export function useSession(): { last: string | undefined; lastUndone: string | undefined } {
  const now = useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => session,
  )
  return { last: now.done.at(-1), lastUndone: now.undone.at(-1) }
}
