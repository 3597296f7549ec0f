import { afterEach, beforeEach, expect, it } from 'vitest'
import german from '../words/de'
import english from '../words/en'
import { type Wording, speak } from '../words/i18n'
import { bytes, change, day, limit, number, typedNumber } from './format'
import { tickText } from '../viewers/Plot'
import { count, withinSentence } from './locale'

beforeEach(() => speak('de', german as Wording))
afterEach(() => speak('en', english))

it('writes numbers and dates as the language does, and reads them as they are typed', () => {
  expect(number(-7.25, '')).toBe('−7,25')
  expect(limit(4.5, '')).toBe('4,50')
  expect(change(0.5, 2.25, '')).toBe('+0,50')
  expect(bytes(2_500_000)).toBe('2,5 MB')
  expect(count(1_234_567)).toBe('1.234.567')
  expect(day('2026-03-04T10:00:00Z')).toBe('4. März 2026')
  expect(withinSentence('Kanal')).toBe('Kanal')
  expect(tickText(0.1 + 0.2)).toBe('0,3')
  expect(tickText(-1200)).toBe('−1200')
  expect(typedNumber(number(13.605, ''))).toBe(13.605)
  expect(typedNumber(number(-13.605, ''))).toBe(-13.605)
})

it('writes a noun within a sentence small but where the language does not', async () => {
  await speak('en', english)
  expect(withinSentence('Channel')).toBe('channel')
})
