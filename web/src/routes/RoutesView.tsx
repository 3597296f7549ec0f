import { useQuery, useQueryClient } from '@tanstack/react-query'
import { getRouteApi } from '@tanstack/react-router'
import type { ReactNode } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { changed } from '../api/subjects'
import type { ScheduledRoute } from '../api/types'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { Page } from '../parts/Page'
import { Removed } from '../parts/Removed'
import { Trouble } from '../parts/Trouble'
import { SetupEditor } from '../setups/SetupEditor'
import { day } from '../units/format'
import { t } from '../words/t'
import { RouteEditor } from './RouteEditor'

const route = getRouteApi('/routes')
const NEW = 'new'

/** What can be loaded onto an instrument: routes, and set-ups. */
export function RoutesView() {
  const search = route.useSearch()
  const navigate = route.useNavigate()
  const mayEdit = useMay().edit
  const routes = useQuery(queries.routes())
  const setups = useQuery(queries.setups())
  const schedule = useQuery(queries.schedule())
  const list = routes.data ?? []
  const setup = setups.data?.find((candidate) => candidate.id === search.setup)
  const isSetup = search.setup !== undefined
  const chosen =
    isSetup || search.route === NEW ? undefined : (list.find((candidate) => candidate.id === search.route) ?? list[0])
  const show = (id: string) => void navigate({ search: { route: id }, replace: true })
  const showSetup = (id: string | undefined) => void navigate({ search: { setup: id }, replace: true })
  return (
    <Page
      say={<span className="font-semibold">{t('routes:say', { n: list.length })}</span>}
      actions={
        mayEdit && (
          <>
            <Button kind="second" onClick={() => showSetup(NEW)}>
              {t('setups:new')}
            </Button>
            <Button kind="second" onClick={() => show(NEW)}>
              {t('routes:new')}
            </Button>
          </>
        )
      }
    >
      <div className="flex h-full max-lg:flex-col">
        <nav
          aria-label={t('common:rooms.routes')}
          className="w-[190px] shrink-0 overflow-auto max-lg:max-h-28 max-lg:w-full border-r border-rule2 bg-paper2"
        >
          <Trouble error={routes.error ?? setups.error} />
          {list.map((candidate) => (
            <Item
              key={candidate.id}
              isChosen={candidate === chosen}
              name={candidate.name}
              onChoose={() => show(candidate.id)}
            >
              <span className="text-ink2">{t('routes:stops', { n: candidate.stops.length })}</span>
              <DueMark route={schedule.data?.routes.find((one) => one.routeId === candidate.id)} />
            </Item>
          ))}
          {setups.data && setups.data.length > 0 && (
            <h2 className="border-b border-rule2 px-3 pt-4 pb-1 font-semibold">{t('setups:title')}</h2>
          )}
          {setups.data?.map((candidate) => (
            <Item
              key={candidate.id}
              isChosen={candidate === setup}
              name={candidate.name}
              onChoose={() => showSetup(candidate.id)}
            >
              <span className="text-ink2">{t('setups:revision', { n: candidate.revision })}</span>
            </Item>
          ))}
          {mayEdit && <RemovedLoadables />}
        </nav>
        {isSetup
          ? setups.data && (
              <SetupEditor key={setup ? `${setup.id} ${setup.version}` : NEW} saved={setup} onSaved={showSetup} />
            )
          : routes.data && (
              <RouteEditor key={chosen ? `${chosen.id} ${chosen.version}` : NEW} saved={chosen} onSaved={show} />
            )}
      </div>
    </Page>
  )
}

/** Routes and set-ups that were taken off the list. */
function RemovedLoadables() {
  const client = useQueryClient()
  const routes = useQuery(queries.removedRoutes())
  const setups = useQuery(queries.removedSetups())
  const isSetup = (id: string) => setups.data?.some((setup) => setup.id === id)
  const bringBack = async (id: string) => {
    const path = { params: { path: { id } } }
    await data(
      isSetup(id) ? api.POST('/api/setups/{id}/bring-back', path) : api.POST('/api/routes/{id}/bring-back', path),
    )
    await changed(client, 'routes')
  }
  return <Removed things={[...(routes.data ?? []), ...(setups.data ?? [])]} onBringBack={bringBack} />
}

function Item({
  isChosen,
  name,
  onChoose,
  children,
}: {
  isChosen: boolean
  name: string
  onChoose: () => void
  children: ReactNode
}) {
  return (
    <button
      type="button"
      onClick={onChoose}
      aria-current={isChosen ? 'true' : undefined}
      className={`block w-full cursor-pointer border-b border-l-[3px] border-b-rule px-3 py-2 text-left ${isChosen ? 'border-l-plum bg-wash' : 'border-l-transparent'}`}
    >
      <span className="block font-semibold">{name}</span>
      {children}
    </button>
  )
}

/** When it is due, and whose it is. */
function DueMark({ route }: { route: ScheduledRoute | undefined }) {
  if (!route?.dueOn) return null
  return (
    <span className={`block ${route.isDue ? 'font-semibold text-ink' : 'text-ink2'}`}>
      {route.daysLate > 0 ? t('routes:late', { days: route.daysLate }) : t('routes:due', { on: day(route.dueOn) })}
      {route.assignedTo && <span className="font-normal text-ink2"> · {route.assignedTo}</span>}
    </span>
  )
}
