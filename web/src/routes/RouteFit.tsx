import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { queries } from '../api/queries'
import type { InstrumentView, RouteView } from '../api/types'
import { useMay } from '../parts/useMay'
import { FitLine } from '../instruments/FitLine'
import { Button } from '../parts/Button'
import { bytes, minutes } from '../units/format'
import { words } from '../words/en'
import { ShareRoute } from './ShareRoute'
import { useSplit } from './useSplit'

/** What the walk needs, and which instrument has it: asked of the connected instrument itself. */
export function RouteFit({ route }: { route: RouteView }) {
  const instruments = useQuery(queries.instruments())
  const mayEdit = useMay().edit
  const split = useSplit(route)
  const scheduled = useQuery(queries.schedule()).data?.routes.find((one) => one.routeId === route.id)
  const byHand = route.stops.filter((stop) => stop.isByHand).length
  if (byHand === route.stops.length && byHand > 0) {
    return (
      <section className="mt-5">
        <p className="mb-2">
          <span className="font-semibold">{words.routes.stops(byHand)}</span>,{' '}
          {minutes(scheduled?.minutes ?? route.minutes)}. {words.byHand.allByHand}
        </p>
        {mayEdit && (
          <Link
            to="/by-hand"
            search={{ route: route.id }}
            className="inline-block border border-plum bg-plum px-3.5 py-1 font-semibold text-onplum hover:opacity-90"
          >
            {words.byHand.start}
          </Link>
        )}
      </section>
    )
  }
  return (
    <section className="mt-5">
      <p className="mb-2">
        <span className="font-semibold">{words.routes.stops(route.stops.length)}</span>,{' '}
        {words.routes.needs(minutes(scheduled?.minutes ?? route.minutes), bytes(route.memoryBytes))}
        {scheduled?.isMeasured ? words.routes.measuredTime : words.routes.usualTime}.{' '}
        {words.routes.revision(route.revision)}
      </p>
      {byHand > 0 && (
        <p className="mb-2">
          {words.byHand.writeRoute(byHand)}{' '}
          {mayEdit && (
            <Link to="/by-hand" search={{ route: route.id }} className="font-semibold text-plum hover:underline">
              {words.byHand.start}
            </Link>
          )}
        </p>
      )}
      <h2 className="font-semibold">{words.routes.fit}</h2>
      <table className="ledger">
        <tbody>
          {instruments.data?.map((instrument) => (
            <FitRow key={instrument.id} instrument={instrument} route={route} />
          ))}
          {instruments.data?.length === 0 && (
            <tr>
              <td>
                {words.instruments.none}{' '}
                <Link to="/instruments" className="font-semibold text-plum hover:underline">
                  {words.instruments.add}
                </Link>
              </td>
            </tr>
          )}
        </tbody>
      </table>
      {mayEdit && instruments.data && instruments.data.length > 1 && (
        <ShareRoute route={route} instruments={instruments.data} split={split} />
      )}
    </section>
  )
}

function FitRow({ instrument, route }: { instrument: InstrumentView; route: RouteView }) {
  const fit = useQuery(queries.fit(instrument.id, route.id))
  const mayEdit = useMay().edit
  const split = useSplit(route)
  const canSplit =
    fit.data !== undefined &&
    fit.data.firstChecks.length > 0 &&
    fit.data.firstChecks.length < route.stops.filter((stop) => !stop.isByHand).length
  const held = route.loaded.find((one) => one.instrumentId === instrument.id)
  return (
    <FitLine
      instrument={instrument}
      isAsking={fit.isPending}
      error={fit.error ?? split.error}
      held={
        held &&
        (held.changes ? words.routes.heldChanged(held.revision, held.changes) : words.routes.held(held.revision))
      }
      outcome={fit.data && words.routes.outcome[fit.data.outcome]}
      reasons={fit.data?.reasons}
      action={
        <>
          {fit.data?.outcome === 'WHOLE' && (
            <Link
              to="/instruments"
              search={{ instrument: instrument.id, load: route.id }}
              className="font-semibold whitespace-nowrap text-plum hover:underline"
            >
              {words.routes.load}
            </Link>
          )}
          {mayEdit && fit.data && fit.data.outcome !== 'WHOLE' && canSplit && (
            <Button disabled={split.isPending} onClick={() => split.mutate(fit.data.firstChecks)}>
              {fit.data.outcome === 'TWO_LOADS' ? words.routes.splitLoads : words.routes.splitRest}
            </Button>
          )}
        </>
      }
    />
  )
}
