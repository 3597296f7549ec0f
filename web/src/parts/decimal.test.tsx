import { cleanup, render } from '@testing-library/react'
import { afterEach, expect, it } from 'vitest'
import { Decimal, mostDecimals } from './Decimal'

afterEach(cleanup)

it('leaves the room of the decimals that a number has less than its column, and adds nothing to its text', () => {
  const texts = ['1480', '41.2', '−0.932', '–', '5.80…6.20 / 5.60…6.4', '']
  const among = mostDecimals(texts)
  expect(among).toBe(3)
  const rooms = texts.map((text) => {
    const { container } = render(<Decimal text={text} among={among} />)
    expect(container.textContent).toBe(text)
    return container.querySelector('[data-room]')?.getAttribute('data-room')
  })
  expect(rooms).toEqual(['.000', '00', undefined, undefined, '00', undefined])
  expect(mostDecimals(['12,5', '1.480', null])).toBe(3)
})
