import type { Course } from '../api/types'
import { limit, number } from '../units/format'
import { written } from '../units/locale'
import type { Times } from '../units/times'
import { useTimes } from '../units/useTimes'
import { t } from '../words/t'
const DAYS_A_MONTH = 30.4

/** Where the values are going, in words: how fast, since when, and when the limit is reached. */
export function CourseSay({ course, unit }: { course: Course; unit: string }) {
  const [first, ...more] = sentences(course, unit, useTimes())
  return (
    <p className="mt-1">
      <span className={course.finding === 'TREND' ? 'font-semibold' : ''}>{first}</span> {more.join(' ')}
    </p>
  )
}

function sentences(course: Course, unit: string, times: Times): string[] {
  const { day } = times
  if (course.finding === 'TOO_FEW') return [t('trend:course.TOO_FEW', { n: course.readings })]
  if (course.finding === 'NONE') return [t('trend:course.NONE', { n: course.readings })]
  if (course.isUneven)
    return [
      t('trend:course.uneven', { isRising: course.perDay > 0, since: day(course.since ?? '') }),
      t('trend:course.chance', { p: chance(course.probability) }),
    ]
  const by =
    t('trend:course.aMonth', { amount: `${number(Math.abs(course.perDay) * DAYS_A_MONTH, unit)} ${unit}` }) +
    (course.isGrowth ? t('trend:course.faster') : '')
  const since = course.since === null ? '' : day(course.since)
  return [
    [
      course.perDay > 0 ? t('trend:course.rising', { by, since }) : t('trend:course.falling', { by, since }),
      ...reaching(course, unit, times),
    ].join(' '),
    t('trend:course.chance', { p: chance(course.probability) }),
  ]
}

function reaching({ reaching }: Course, unit: string, { day }: Times): string[] {
  if (!reaching) return []
  const which = reaching.boundary === 'FAIL' ? t('common:verdictInText.FAIL') : t('common:verdictInText.WATCH')
  return [
    t('trend:course.reaches', { which, value: limit(reaching.value, unit), at: day(reaching.at) }),
    reaching.latest === null
      ? t('trend:course.openInterval', { from: day(reaching.earliest) })
      : t('trend:course.interval', { from: day(reaching.earliest), to: day(reaching.latest) }),
  ]
}

function chance(p: number): string {
  return p < 0.001 ? t('trend:course.chanceTiny') : `${written((p * 100).toFixed(1))} %`
}
