import type { Course } from '../api/types'
import { day, number } from '../units/format'
import { words } from '../words/en'

const text = words.trend.course
const DAYS_A_MONTH = 30.4

/** Where the values are going, in words: how fast, since when, and when the limit is reached. */
export function CourseSay({ course, unit }: { course: Course; unit: string }) {
  const [first, ...more] = sentences(course, unit)
  return (
    <p className="mt-1">
      <span className={course.finding === 'TREND' ? 'font-semibold' : ''}>{first}</span> {more.join(' ')}
    </p>
  )
}

function sentences(course: Course, unit: string): string[] {
  if (course.finding === 'TOO_FEW') return [text.TOO_FEW(course.readings)]
  if (course.finding === 'NONE') return [text.NONE(course.readings)]
  if (course.isUneven)
    return [text.uneven(course.perDay > 0, day(course.since ?? '')), text.chance(chance(course.probability))]
  const by =
    text.aMonth(`${number(Math.abs(course.perDay) * DAYS_A_MONTH)} ${unit}`) + (course.isGrowth ? text.faster : '')
  const since = course.since === null ? '' : day(course.since)
  return [
    [course.perDay > 0 ? text.rising(by, since) : text.falling(by, since), ...reaching(course)].join(' '),
    text.chance(chance(course.probability)),
  ]
}

function reaching({ reaching }: Course): string[] {
  if (!reaching) return []
  const which = reaching.boundary === 'FAIL' ? words.verdict.FAIL.toLowerCase() : words.verdict.WATCH.toLowerCase()
  return [
    text.reaches(which, number(reaching.value), day(reaching.at)),
    reaching.latest === null
      ? text.openInterval(day(reaching.earliest))
      : text.interval(day(reaching.earliest), day(reaching.latest)),
  ]
}

function chance(p: number): string {
  return p < 0.001 ? 'less than 0.1 %' : `${(p * 100).toFixed(1)} %`
}
