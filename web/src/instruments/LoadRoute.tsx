import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { useState } from 'react'
import { queries } from '../api/queries'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { bytes, minutes } from '../units/format'
import { words } from '../words/en'

interface Props {
  instrumentId: string
  routeId: string | undefined
  onClose: () => void
  onLoad: (routeId: string) => void
}

/** Which route goes to the instrument; says before loading whether it fits. */
export function LoadRoute({ instrumentId, routeId, onClose, onLoad }: Props) {
  const routes = useQuery(queries.routes())
  const [picked, setPicked] = useState(routeId)
  const chosen = routes.data?.find((route) => route.id === picked) ?? routes.data?.[0]
  const fit = useQuery({ ...queries.fit(instrumentId, chosen?.id ?? ''), enabled: chosen !== undefined })
  return (
    <Dialog title={words.instruments.loadWhich} open onClose={onClose}>
      {routes.data?.length === 0 && (
        <p className="mb-3">
          {words.instruments.noRoutes}{' '}
          <Link to="/routes" className="font-semibold text-plum hover:underline">
            {words.routes.new}
          </Link>
        </p>
      )}
      <div role="radiogroup" aria-label={words.instruments.loadWhich} className="mb-3">
        {routes.data?.map((route) => (
          <label key={route.id} className="flex cursor-pointer items-center gap-2 border-b border-rule py-1.5">
            <input type="radio" name="route" className="accent-plum" checked={route === chosen} onChange={() => setPicked(route.id)} />
            <span className="flex-1 font-semibold">{route.name}</span>
            <span className="text-ink2">
              {words.routes.stops(route.stops.length)}, {minutes(route.minutes)}, {bytes(route.memoryBytes)}
            </span>
          </label>
        ))}
      </div>
      {fit.data?.outcome === 'WHOLE' && <p className="mb-3 text-ink2">{words.routes.fits}</p>}
      {fit.data?.reasons.map((obstacle) => (
        <p key={obstacle} className="mb-2 text-fail">
          {obstacle}
        </p>
      ))}
      <div className="flex gap-4">
        <Button kind="main" disabled={!chosen || fit.data?.outcome !== 'WHOLE'} onClick={() => chosen && onLoad(chosen.id)}>
          {words.routes.load}
        </Button>
        <Button onClick={onClose}>{words.common.cancel}</Button>
      </div>
    </Dialog>
  )
}
