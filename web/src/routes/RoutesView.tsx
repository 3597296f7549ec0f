import { useQuery } from '@tanstack/react-query'
import { getRouteApi } from '@tanstack/react-router'
import { queries } from '../api/queries'
import type { ScheduledRoute } from '../api/types'
import { Button } from '../parts/Button'
import { Page } from '../parts/Page'
import { Trouble } from '../parts/Trouble'
import { day } from '../units/format'
import { words } from '../words/en'
import { RouteEditor } from './RouteEditor'

const route = getRouteApi('/routes')
const NEW = 'new'

export function RoutesView() {
  const search = route.useSearch()
  const navigate = route.useNavigate()
  const routes = useQuery(queries.routes())
  const schedule = useQuery(queries.schedule())
  const list = routes.data ?? []
  const chosen = search.route === NEW ? undefined : (list.find((candidate) => candidate.id === search.route) ?? list[0])
  const show = (id: string) => void navigate({ search: { route: id }, replace: true })
  return (
    <Page
      say={<span className="font-semibold">{words.routes.say(list.length)}</span>}
      actions={
        <Button kind="second" onClick={() => show(NEW)}>
          {words.routes.new}
        </Button>
      }
    >
      <div className="flex h-full max-lg:flex-col">
        <nav aria-label={words.rooms.routes} className="w-[190px] shrink-0 overflow-auto max-lg:max-h-28 max-lg:w-full border-r border-rule2 bg-paper2">
          <Trouble error={routes.error} />
          {list.map((candidate) => (
            <button
              key={candidate.id}
              type="button"
              onClick={() => show(candidate.id)}
              aria-current={candidate === chosen ? 'true' : undefined}
              className={`block w-full cursor-pointer border-b border-l-[3px] border-b-rule px-3 py-2 text-left ${candidate === chosen ? 'border-l-plum bg-wash' : 'border-l-transparent'}`}
            >
              <span className="block font-semibold">{candidate.name}</span>
              <span className="text-ink2">{words.routes.stops(candidate.stops.length)}</span>
              <DueMark route={schedule.data?.routes.find((one) => one.routeId === candidate.id)} />
            </button>
          ))}
        </nav>
        {routes.data && <RouteEditor key={chosen ? `${chosen.id} ${chosen.version}` : NEW} saved={chosen} onSaved={show} />}
      </div>
    </Page>
  )
}

/** When it is due, and whose it is. */
function DueMark({ route }: { route: ScheduledRoute | undefined }) {
  if (!route?.dueOn) return null
  return (
    <span className={`block ${route.isDue ? 'font-semibold text-ink' : 'text-ink2'}`}>
      {route.daysLate > 0 ? words.routes.late(route.daysLate) : words.routes.due(day(route.dueOn))}
      {route.assignedTo && <span className="font-normal text-ink2"> · {route.assignedTo}</span>}
    </span>
  )
}
