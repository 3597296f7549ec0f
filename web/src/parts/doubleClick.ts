/** A second click this soon after the first belongs to it, in milliseconds. */
const SOON = 300

function hit(event: Event): Element | null {
  return event.target instanceof Element
    ? (event.target.closest('button, a, label, input, select, tr') ?? event.target)
    : null
}

/**
 * Has the second click of a double click count on nothing but what the first one hit: where that has made way meanwhile, a saved
 * form for a button that removes it or a closed dialog for what lies below it, the second click does nothing.
 */
export function guardDoubleClicks(document: Document): () => void {
  let first: { on: Element | null; at: number } | null = null
  const onClick = (event: MouseEvent) => {
    const on = hit(event)
    if (event.detail > 1 && first && first.on !== on && event.timeStamp - first.at < SOON) {
      event.preventDefault()
      event.stopImmediatePropagation()
      return
    }
    first = { on, at: event.timeStamp }
  }
  document.addEventListener('click', onClick, true)
  return () => document.removeEventListener('click', onClick, true)
}
