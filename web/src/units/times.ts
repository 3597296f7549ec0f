import { TZDate } from '@date-fns/tz'
import { t } from '../words/t'
import { locale } from './locale'

/** How somebody reads times. */
export interface TimeChoice {
  /** Of the company: of everything that belongs to no site that says its own. */
  homeZone: string
  /** In which all times are read; blank for those of the sites. */
  ownZone: string
  /** A pattern of dd, MM and yyyy; blank for the way of the language. */
  dateFormat: string
}

const browserZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone

let choice: TimeChoice = { homeZone: browserZone(), ownZone: '', dateFormat: '' }

/** Reads times so from now on. */
export function readTimes(chosen: TimeChoice) {
  choice = chosen
}

/** The zone in which times of a site are read; null for what belongs to none. */
export function zoneOf(site: string | null): string {
  return choice.ownZone || site || choice.homeZone
}

/** What a calendar on the wall and a clock show. */
export interface Wall {
  year: number
  /** From 1. */
  month: number
  day: number
  hour: number
  minute: number
  second: number
}

/** A day without a time is the same day everywhere. */
const DAY_ALONE = /^(\d{4})-(\d{2})-(\d{2})$/

export function wallOf(at: string, zone: string): Wall {
  const alone = DAY_ALONE.exec(at)
  if (alone) {
    const [year = 0, month = 0, day = 0] = alone.slice(1).map(Number)
    return { year, month, day, hour: 0, minute: 0, second: 0 }
  }
  const there = new TZDate(new Date(at).getTime(), zone)
  return {
    year: there.getFullYear(),
    month: there.getMonth() + 1,
    day: there.getDate(),
    hour: there.getHours(),
    minute: there.getMinutes(),
    second: there.getSeconds(),
  }
}

/** The moment when a wall shows this; what summer time leaves out is an hour later, what it shows twice is the first. */
export function momentOf(wall: Wall, zone: string): string {
  const { year, month, day, hour, minute, second } = wall
  return new Date(new TZDate(year, month - 1, day, hour, minute, second, zone).getTime()).toISOString()
}

export const two = (part: number) => String(part).padStart(2, '0')

/** Day, month and year in the order and with the marks of a pattern. */
function patterned(pattern: string, { year, month, day }: Wall): string {
  return pattern.replace('yyyy', String(year).padStart(4, '0')).replace('MM', two(month)).replace('dd', two(day))
}

/** A day as it is sent and kept, 2026-11-30, of a wall or of its parts. */
export const isoDay = ({ year, month, day }: Pick<Wall, 'year' | 'month' | 'day'>) =>
  [String(year).padStart(4, '0'), two(month), two(day)].join('-')

/** The wall's day as a date that Intl writes unchanged when it is told that it is in UTC. */
const asUtc = ({ year, month, day, hour, minute, second }: Wall) =>
  new Date(Date.UTC(year, month - 1, day, hour, minute, second))

const written = (wall: Wall, how: Intl.DateTimeFormatOptions) =>
  asUtc(wall).toLocaleString(locale(), { ...how, timeZone: 'UTC' })

function dayText(wall: Wall): string {
  return choice.dateFormat
    ? patterned(choice.dateFormat, wall)
    : written(wall, { day: 'numeric', month: 'short', year: 'numeric' })
}

const clock = ({ hour, minute, second }: Wall, withSeconds: boolean) =>
  `${two(hour)}:${two(minute)}${withSeconds ? `:${two(second)}` : ''}`

const offsetAt = (at: string, zone: string) => new TZDate(new Date(at).getTime(), zone).getTimezoneOffset()

/** How the zone is called, where whoever looks at his own clock would read another time; else nothing. */
export function zoneLabel(at: string, zone: string): string {
  if (DAY_ALONE.test(at) || offsetAt(at, zone) === offsetAt(at, browserZone())) return ''
  const parts = new Intl.DateTimeFormat(locale(), { timeZone: zone, timeZoneName: 'short' }).formatToParts(new Date(at))
  return parts.find((part) => part.type === 'timeZoneName')?.value ?? zone
}

/** Times as they are read at one place. */
export interface Times {
  zone: string
  day: (at: string) => string
  dayAndTime: (at: string) => string
  time: (at: string) => string
}

/** @param site zone of the site; null for what belongs to none */
export function timesOf(site: string | null): Times {
  const zone = zoneOf(site)
  const labelled = (text: string, at: string) => [text, zoneLabel(at, zone)].filter(Boolean).join(' ')
  return {
    zone,
    day: (at) => dayText(wallOf(at, zone)),
    dayAndTime: (at) => {
      const wall = wallOf(at, zone)
      return labelled(`${dayText(wall)}, ${clock(wall, false)}`, at)
    },
    time: (at) => labelled(clock(wallOf(at, zone), false), at),
  }
}

/** Today where we are, as 2026-11-30. */
export function today(): string {
  return isoDay(wallOf(new Date().toISOString(), zoneOf(null)))
}

/** Calendar days since then where we are, not spans of 24 hours: yesterday evening is one day ago this morning. */
export function age(at: string | null, now: Date): string {
  if (at === null) return t('common:never')
  const zone = zoneOf(null)
  const midnight = (when: string) =>
    Date.UTC(wallOf(when, zone).year, wallOf(when, zone).month - 1, wallOf(when, zone).day)
  const days = Math.round((midnight(now.toISOString()) - midnight(at)) / 86_400_000)
  return days <= 0 ? t('common:today') : `${days} d`
}

/** A day as it is typed and shown in a field. */
export const dayField = (day: string) => (day === '' ? '' : dayText(wallOf(day, 'UTC')))

/** A moment as it is typed and shown in a field. */
export function momentField(at: string, zone: string, withSeconds: boolean): string {
  if (at === '') return ''
  const wall = wallOf(at, zone)
  return `${dayText(wall)}, ${clock(wall, withSeconds)}`
}

function monthNamed(name: string): number {
  const wanted = name.toLowerCase().replace(/\.$/, '')
  for (let month = 1; month <= 12; month++) {
    const wall = { year: 2000, month, day: 1, hour: 0, minute: 0, second: 0 }
    const names = (['short', 'long'] as const).map((length) =>
      written(wall, { month: length }).toLowerCase().replace(/\.$/, ''),
    )
    if (wanted.length >= 3 && names.some((one) => one === wanted || (one.startsWith(wanted) && wanted.length > 3)))
      return month
  }
  return 0
}

/** The day a text is, however it is usually written here; null for a text that is none, and for 31 February. */
export function typedDay(text: string): string | null {
  const parts = text.trim().match(/^(\d{1,4})[\s./-]+(\d{1,2}|\p{L}+\.?)[\s./,-]+(\d{1,4})$/u)
  if (!parts) return null
  const [, first = '', second = '', third = ''] = parts
  const isYearFirst = first.length === 4
  const named = /\p{L}/u.test(second) ? monthNamed(second) : null
  const isMonthFirst = named === null && !isYearFirst && choice.dateFormat.startsWith('MM')
  const century = (year: string) => (year.length <= 2 ? 2000 + Number(year) : Number(year))
  const year = century(isYearFirst ? first : third)
  const month = named ?? Number(isMonthFirst ? first : second)
  const day = Number(isYearFirst ? third : isMonthFirst ? second : first)
  const date = new Date(Date.UTC(year, month - 1, day))
  const isReal = date.getUTCFullYear() === year && date.getUTCMonth() === month - 1 && date.getUTCDate() === day
  return isReal && year >= 1900 && year <= 2200 ? isoDay({ year, month, day }) : null
}

/** The moment a text is in a zone; null for a text that is none. */
export function typedMoment(text: string, zone: string): string | null {
  const parts = text.trim().match(/^(.+?)[\s,T]+(\d{1,2}):(\d{2})(?::(\d{2}))?$/)
  const day = typedDay(parts?.[1] ?? '')
  if (!parts || day === null) return null
  const [hour = 0, minute = 0, second = 0] = parts.slice(2).map((part) => Number(part ?? 0))
  if (hour > 23 || minute > 59 || second > 59) return null
  return momentOf({ ...wallOf(day, 'UTC'), hour, minute, second }, zone)
}

/** Marks of a time axis: the clock where they are less than a day apart, else days, else months. */
export function axisTimes(site: string | null): (seconds: number[], apart: number) => string[] {
  const zone = zoneOf(site)
  const DAY = 86_400
  return (seconds, apart) =>
    seconds.map((at) => {
      const wall = wallOf(new Date(at * 1000).toISOString(), zone)
      if (apart < 60) return clock(wall, true)
      if (apart < DAY) return wall.hour === 0 && wall.minute === 0 ? dayText(wall) : clock(wall, false)
      if (apart < 28 * DAY) return choice.dateFormat ? dayText(wall) : written(wall, { day: 'numeric', month: 'short' })
      return choice.dateFormat
        ? patterned(choice.dateFormat, wall).replace(/^\d{2}[./]|-\d{2}$/, '')
        : written(wall, { month: 'short', year: 'numeric' })
    })
}
