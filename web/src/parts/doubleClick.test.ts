import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { guardDoubleClicks } from './doubleClick'

let end: () => void

function click(on: Element, detail: number, at: number) {
  const event = new MouseEvent('click', { bubbles: true, cancelable: true, detail })
  Object.defineProperty(event, 'timeStamp', { value: at })
  on.dispatchEvent(event)
}

function button(): [HTMLButtonElement, ReturnType<typeof vi.fn>] {
  const made = document.createElement('button')
  const clicked = vi.fn()
  made.addEventListener('click', clicked)
  document.body.append(made)
  return [made, clicked]
}

beforeEach(() => {
  end = guardDoubleClicks(document)
})
afterEach(() => {
  end()
  document.body.replaceChildren()
})

describe('the second click of a double click', () => {
  it('does nothing to what came under the pointer meanwhile', () => {
    const [save, saved] = button()
    const [remove, removed] = button()
    click(save, 1, 1000)
    click(remove, 2, 1120)
    expect(saved).toHaveBeenCalledTimes(1)
    expect(removed).not.toHaveBeenCalled()
  })

  it('counts on the same button, also through the text in it', () => {
    const [more, counted] = button()
    const text = document.createElement('span')
    more.append(text)
    click(text, 1, 1000)
    click(more, 2, 1100)
    expect(counted).toHaveBeenCalledTimes(2)
  })

  it('is a click of its own where it comes later, or was no double click', () => {
    const [first] = button()
    const [second, counted] = button()
    click(first, 1, 1000)
    click(second, 2, 1400)
    click(first, 1, 2000)
    click(second, 1, 2050)
    expect(counted).toHaveBeenCalledTimes(2)
  })
})
