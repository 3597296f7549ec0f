import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { queries } from '../api/queries'
import type { RouteCalendar, ScheduledRoute } from '../api/types'
import { day, minutes } from '../units/format'
import { t } from '../words/t'

interface Week {
  begins: string
  walks: { on: string; route: ScheduledRoute }[]
}

const DAY_MILLIS = 86_400_000

function iso(date: Date): string {
  return date.toISOString().slice(0, 10)
}

/** The calendar's weeks, each beginning on a Monday. */
export function weeksOf(calendar: RouteCalendar): Week[] {
  const today = new Date(`${calendar.today}T00:00:00Z`)
  const monday = new Date(today.getTime() - ((today.getUTCDay() + 6) % 7) * DAY_MILLIS)
  return Array.from({ length: Math.ceil(calendar.days / 7) }, (_, i) => {
    const begins = iso(new Date(monday.getTime() + i * 7 * DAY_MILLIS))
    const ends = iso(new Date(monday.getTime() + (i + 1) * 7 * DAY_MILLIS))
    const walks = calendar.routes.flatMap((route) =>
      route.dates.filter((on) => on >= begins && on < ends).map((on) => ({ on, route })),
    )
    return { begins, walks: walks.sort((a, b) => a.on.localeCompare(b.on)) }
  })
}

/** Which route falls on which of the next weeks, with how long it takes and whose it is. */
export function NextWeeks() {
  const calendar = useQuery(queries.schedule())
  if (!calendar.data?.routes.some((route) => route.dueOn)) return null
  return (
    <section className="mt-6 max-w-[900px]" aria-label={t('today:calendar')}>
      <h2 className="mb-1 font-semibold">{t('today:calendar')}</h2>
      <table className="ledger">
        <tbody>
          {weeksOf(calendar.data).map((week) => (
            <tr key={week.begins}>
              <td className="w-40 whitespace-nowrap text-ink2">{t('today:week', { on: day(week.begins) })}</td>
              <td>
                {week.walks.length === 0 && <span className="text-ink3">{t('today:nothingDue')}</span>}
                {week.walks.map(({ on, route }) => (
                  <span key={`${route.routeId} ${on}`} className="mr-6 inline-block">
                    <span className="text-ink2">{day(on)}</span>{' '}
                    <Link
                      to="/routes"
                      search={{ route: route.routeId }}
                      className={`${route.isMine ? 'font-semibold' : ''} text-plum hover:underline`}
                    >
                      {route.name}
                    </Link>{' '}
                    <span className="text-ink3">
                      {minutes(route.minutes)}
                      {route.assignedTo && `, ${route.assignedTo}`}
                    </span>
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
