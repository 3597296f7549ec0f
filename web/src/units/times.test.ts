import { afterEach, describe, expect, it } from 'vitest'
import german from '../words/de'
import english from '../words/en'
import { type Wording, speak } from '../words/i18n'
import {
  age,
  axisTimes,
  dayField,
  momentField,
  readTimes,
  timesOf,
  typedDay,
  typedMoment,
  wallOf,
  zoneLabel,
} from './times'

const browser = Intl.DateTimeFormat().resolvedOptions().timeZone
const read = (more: { homeZone?: string; ownZone?: string; dateFormat?: string }) =>
  readTimes({ homeZone: browser, ownZone: '', dateFormat: '', ...more })

afterEach(async () => {
  read({})
  await speak('en', english)
})

describe('times', () => {
  it('are those of the site, of the company where there is none, or of whoever chose a zone', () => {
    const at = '2026-11-30T23:30:00Z'
    read({ homeZone: 'Europe/London' })
    expect(timesOf(null).dayAndTime(at)).toContain('30 Nov 2026, 23:30')
    expect(timesOf('Asia/Tokyo').dayAndTime(at)).toContain('1 Dec 2026, 08:30')
    expect(timesOf('America/New_York').time(at)).toContain('18:30')
    read({ homeZone: 'Europe/London', ownZone: 'Europe/Berlin' })
    expect(timesOf('Asia/Tokyo').dayAndTime(at)).toContain('1 Dec 2026, 00:30')
  })

  it('say their zone where the clock of whoever looks shows another time, and only there', () => {
    const at = '2026-11-30T23:30:00Z'
    expect(zoneLabel(at, browser)).toBe('')
    const other = timesOf(null).zone === 'Asia/Tokyo' ? 'Europe/London' : 'Asia/Tokyo'
    expect(zoneLabel(at, other)).not.toBe('')
    expect(timesOf(other).dayAndTime(at).endsWith(zoneLabel(at, other))).toBe(true)
    expect(zoneLabel('2026-11-30', other)).toBe('')
  })

  it('leave a day that has no time as it is, wherever it is read', () => {
    for (const zone of ['America/Los_Angeles', 'Pacific/Kiritimati', 'UTC'])
      expect(timesOf(zone).day('2026-11-30')).toBe('30 Nov 2026')
  })

  it('are written as the person chose, in lists, fields and on axes', () => {
    const at = '2026-03-04T16:30:15Z'
    const shown = (dateFormat: string) => {
      read({ homeZone: 'UTC', dateFormat })
      return [timesOf('UTC').day(at), dayField('2026-03-04'), momentField(at, 'UTC', true)]
    }
    expect(shown('yyyy-MM-dd')).toEqual(['2026-03-04', '2026-03-04', '2026-03-04, 16:30:15'])
    expect(shown('dd.MM.yyyy')).toEqual(['04.03.2026', '04.03.2026', '04.03.2026, 16:30:15'])
    expect(shown('MM/dd/yyyy')).toEqual(['03/04/2026', '03/04/2026', '03/04/2026, 16:30:15'])
    const seconds = [Date.parse(at) / 1000]
    const marks = (dateFormat: string, apart: number) => {
      read({ homeZone: 'UTC', dateFormat })
      return axisTimes('UTC')(seconds, apart)[0]
    }
    expect(['', 'yyyy-MM-dd', 'dd/MM/yyyy'].map((format) => marks(format, 31 * 86_400))).toEqual([
      'Mar 2026',
      '2026-03',
      '03/2026',
    ])
    expect(marks('', 86_400)).toBe('4 Mar')
    expect(marks('dd.MM.yyyy', 86_400)).toBe('04.03.2026')
    expect([marks('', 3_600), marks('', 1)]).toEqual(['16:30', '16:30:15'])
  })

  it('follow the language where nothing else is chosen', async () => {
    await speak('de', german as Wording)
    expect(timesOf('UTC').day('2026-03-04')).toBe('4. März 2026')
    expect(typedDay('4. März 2026')).toBe('2026-03-04')
  })

  it('count calendar days at home, not spans of 24 hours', () => {
    read({ homeZone: 'Asia/Tokyo' })
    const morning = new Date('2026-11-23T00:00:00Z')
    expect(age('2026-11-22T14:59:00Z', morning)).toBe('1 d')
    expect(age('2026-11-22T15:01:00Z', morning)).toBe('today')
    expect(age(null, morning)).toBe('never')
  })
})

describe('what is typed', () => {
  it('is read in the usual ways of writing a date, the month first only for whoever writes it so', () => {
    for (const text of ['2026-03-04', '4.3.2026', '04/03/2026', '4 Mar 2026', '4 March 26', '04.03.26'])
      expect(typedDay(text)).toBe('2026-03-04')
    read({ dateFormat: 'MM/dd/yyyy' })
    expect(typedDay('03/04/2026')).toBe('2026-03-04')
    expect(typedDay('2026-03-04')).toBe('2026-03-04')
  })

  it('is no date where there is no such day', () => {
    for (const text of [
      '31.2.2026',
      '29/02/2025',
      '0.1.2026',
      '5 Foo 2026',
      '2026',
      '',
      '1.1.0001',
      '13/13/2026',
      'x'.repeat(99),
    ])
      expect(typedDay(text)).toBeNull()
    for (const text of ['4.3.2026', '4.3.2026 24:00', '4.3.2026 12:60', '12:30', ''])
      expect(typedMoment(text, 'UTC')).toBeNull()
  })

  it('is a moment of the zone, on both sides of midnight and of summer time', () => {
    expect(typedMoment('4 Mar 2026, 00:30', 'Asia/Tokyo')).toBe('2026-03-03T15:30:00.000Z')
    expect(typedMoment('2026-03-04T23:59:59', 'America/New_York')).toBe('2026-03-05T04:59:59.000Z')
    expect(typedMoment('29.3.2026 00:30', 'Europe/London')).toBe('2026-03-29T00:30:00.000Z')
    expect(typedMoment('29.3.2026 03:30', 'Europe/London')).toBe('2026-03-29T02:30:00.000Z')
    expect(typedMoment('29.3.2026 01:30', 'Europe/London')).toBe('2026-03-29T01:30:00.000Z')
    expect(wallOf('2026-03-29T01:30:00Z', 'Europe/London').hour).toBe(2)
    expect(typedMoment('25.10.2026 00:30', 'Europe/London')).toBe('2026-10-24T23:30:00.000Z')
    expect(typedMoment('25.10.2026 02:30', 'Europe/London')).toBe('2026-10-25T02:30:00.000Z')
  })

  it('comes back as it was shown', () => {
    for (const zone of ['UTC', 'Asia/Kolkata', 'America/St_Johns', 'Pacific/Kiritimati'])
      for (const dateFormat of ['', 'yyyy-MM-dd', 'dd.MM.yyyy', 'dd/MM/yyyy', 'MM/dd/yyyy'])
        for (const at of ['2026-01-01T00:00:00.000Z', '2026-06-30T23:59:59.000Z', '2028-02-29T12:00:00.000Z']) {
          read({ dateFormat })
          expect(typedMoment(momentField(at, zone, true), zone)).toBe(at)
        }
  })
})
