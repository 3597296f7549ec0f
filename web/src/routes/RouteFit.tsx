import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { queries } from '../api/queries'
import type { InstrumentView, RouteView } from '../api/types'
import { useMay } from '../parts/useMay'
import { FitLine } from '../instruments/FitLine'
import { Button } from '../parts/Button'
import { bytes, minutes } from '../units/format'
import { t } from '../words/t'
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
          <span className="font-semibold">{t('routes:stops', { n: byHand })}</span>,{' '}
          {minutes(scheduled?.minutes ?? route.minutes)}. {t('byHand:allByHand')}
        </p>
        {mayEdit && (
          <Link
            to="/by-hand"
            search={{ route: route.id }}
            className="inline-block border border-plum bg-plum px-3.5 py-1 font-semibold text-onplum hover:opacity-90"
          >
            {t('byHand:start')}
          </Link>
        )}
      </section>
    )
  }
  return (
    <section className="mt-5">
      <p className="mb-2">
        <span className="font-semibold">{t('routes:stops', { n: route.stops.length })}</span>,{' '}
        {t('routes:needs', { minutes: minutes(scheduled?.minutes ?? route.minutes), size: bytes(route.memoryBytes) })}
        {scheduled?.isMeasured ? t('routes:measuredTime') : t('routes:usualTime')}.{' '}
        {t('routes:revision', { n: route.revision })}
      </p>
      {byHand > 0 && (
        <p className="mb-2">
          {t('byHand:writeRoute', { n: byHand })}{' '}
          {mayEdit && (
            <Link to="/by-hand" search={{ route: route.id }} className="font-semibold text-plum hover:underline">
              {t('byHand:start')}
            </Link>
          )}
        </p>
      )}
      <h2 className="font-semibold">{t('routes:fit')}</h2>
      <table className="ledger">
        <tbody>
          {instruments.data?.map((instrument) => (
            <FitRow key={instrument.id} instrument={instrument} route={route} />
          ))}
          {instruments.data?.length === 0 && (
            <tr>
              <td>
                {t('instruments:none')}{' '}
                <Link to="/instruments" className="font-semibold text-plum hover:underline">
                  {t('instruments:add')}
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
        (held.changes
          ? t('routes:heldChanged', { revision: held.revision, changes: held.changes })
          : t('routes:held', { revision: held.revision }))
      }
      outcome={fit.data && t(`routes:outcome.${fit.data.outcome}`)}
      reasons={fit.data?.reasons}
      action={
        <>
          {fit.data?.outcome === 'WHOLE' && (
            <Link
              to="/instruments"
              search={{ instrument: instrument.id, load: route.id }}
              className="font-semibold whitespace-nowrap text-plum hover:underline"
            >
              {t('routes:load')}
            </Link>
          )}
          {mayEdit && fit.data && fit.data.outcome !== 'WHOLE' && canSplit && (
            <Button disabled={split.isPending} onClick={() => split.mutate(fit.data.firstChecks)}>
              {fit.data.outcome === 'TWO_LOADS' ? t('routes:splitLoads') : t('routes:splitRest')}
            </Button>
          )}
        </>
      }
    />
  )
}
