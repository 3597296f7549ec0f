import type { Action } from '../actions/actions'

/** What keys do with the loose reading that has the focus. */
export interface TrayActs {
  beside: (which: 'next' | 'previous') => void
  place: () => void
  elsewhere: () => void
  discard: () => void
}

const none: TrayActs = {
  beside: () => undefined,
  place: () => undefined,
  elsewhere: () => undefined,
  discard: () => undefined,
}

/** @param acts what they do; nothing for a list of keys alone */
export function trayActions(acts: TrayActs = none): Action[] {
  const action = (id: keyof TrayActs, chords: string[], run: () => void): Action => ({
    id: `tray.${id}`,
    does: `visits:trayKeys.${id}.does`,
    keys: `visits:trayKeys.${id}.keys`,
    chords,
    may: true,
    isCommand: false,
    run,
  })
  return [
    action('beside', ['ArrowDown'], () => acts.beside('next')),
    action('beside', ['ArrowUp'], () => acts.beside('previous')),
    action('place', ['Enter'], acts.place),
    action('elsewhere', ['e'], acts.elsewhere),
    action('discard', ['d'], acts.discard),
  ]
}
