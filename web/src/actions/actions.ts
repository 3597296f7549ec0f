import { useEffect, useMemo, useRef, useSyncExternalStore } from 'react'
import type { WordingKey } from '../words/t'

/**
 * Something that can be done in a view. Declared once: keys, the list of keys and the list of commands read it from
 * here.
 */
export interface Action {
  id: string
  /** What it does. */
  does: WordingKey
  /** How its keys are called; actions called alike are listed once. */
  keys: WordingKey
  /** Which keys do it, e.g. `Ctrl+d`, `Alt+ArrowUp`, `Delete`. */
  chords: readonly string[]
  /** Whether it can be done now. */
  may: boolean
  /** Whether it is a command that somebody may look for, and not just a way to look around. */
  isCommand: boolean
  /** @param pressed the keys that did it; not there where it was chosen from a list */
  run: (pressed?: Pressed) => void
}

type Listener = () => void

let views: ReadonlyMap<symbol, readonly Action[]> = new Map()
const listeners = new Set<Listener>()

function change(next: ReadonlyMap<symbol, readonly Action[]>) {
  views = next
  listeners.forEach((listener) => listener())
}

function subscribe(listener: Listener) {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** What can be done in what is shown now. */
export function useShownActions(): Action[] {
  const shown = useSyncExternalStore(subscribe, () => views)
  return useMemo(() => [...shown.values()].flat(), [shown])
}

/** Keys as an event tells them. */
export interface Pressed {
  key: string
  shiftKey: boolean
  ctrlKey: boolean
  metaKey: boolean
  altKey: boolean
}

/** The keys that are pressed, as actions name them. Shift tells itself by the key. */
export function chordOf(event: Pressed): string {
  return `${event.ctrlKey || event.metaKey ? 'Ctrl+' : ''}${event.altKey ? 'Alt+' : ''}${event.key}`
}

/** Whether somebody types into a field, so that keys are letters. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLInputElement || target instanceof HTMLSelectElement || target instanceof HTMLTextAreaElement
  )
}

/** Does what is declared for the keys that were pressed, if it can be done. @return whether it was */
export function runByKey(actions: readonly Action[], event: Pressed & { preventDefault: () => void }): boolean {
  const chord = chordOf(event)
  const action = actions.find((one) => one.may && one.chords.includes(chord))
  if (!action) return false
  event.preventDefault()
  action.run(event)
  return true
}

/**
 * Declares what can be done for as long as a view is shown. What an action does may change at every look; the lists hear
 * of it when something else can be done than before.
 */
export function useLatestActions(actions: readonly Action[]) {
  const latest = useRef(actions)
  useEffect(() => {
    latest.current = actions
  })
  const sign = JSON.stringify(
    actions.map(({ id, does, keys, chords, may, isCommand }) => [id, does, keys, chords, may, isCommand]),
  )
  useEffect(() => {
    const view = Symbol('view')
    const declared = latest.current.map((action, i) => ({ ...action, run: () => latest.current[i]?.run() }))
    change(new Map(views).set(view, declared))
    return () => {
      const rest = new Map(views)
      rest.delete(view)
      change(rest)
    }
  }, [sign])
}
