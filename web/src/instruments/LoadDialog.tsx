import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { useState } from 'react'
import { queries } from '../api/queries'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { bytes, minutes } from '../units/format'
import { words } from '../words/en'

/** What goes onto an instrument. */
export interface Loadable {
  kind: 'route' | 'setup'
  id: string
}

interface Props {
  instrumentId: string
  first: Loadable | undefined
  onClose: () => void
  onLoad: (what: Loadable) => void
}

/** Which route or set-up goes to the instrument; says before loading whether it fits. */
export function LoadDialog({ instrumentId, first, onClose, onLoad }: Props) {
  const routes = useQuery(queries.routes())
  const setups = useQuery({ ...queries.setups(), select: (all) => all.filter((setup) => setup.isLoadable) })
  const [picked, setPicked] = useState(first)
  const usual: Loadable | undefined = routes.data?.[0] ? { kind: 'route', id: routes.data[0].id } : setups.data?.[0] && { kind: 'setup', id: setups.data[0].id }
  const chosen = picked ?? usual
  const routeFit = useQuery({ ...queries.fit(instrumentId, chosen?.id ?? ''), enabled: chosen?.kind === 'route' })
  const revision = setups.data?.find((setup) => setup.id === chosen?.id)?.revision ?? 0
  const setupFit = useQuery({ ...queries.setupFit(instrumentId, chosen?.id ?? '', revision), enabled: chosen?.kind === 'setup' })
  const obstacles = chosen?.kind === 'setup' ? setupFit.data?.obstacles : routeFit.data?.reasons
  const error = chosen?.kind === 'setup' ? setupFit.error : routeFit.error
  const isNothing = routes.data?.length === 0 && setups.data?.length === 0
  const choice = (what: Loadable, name: string, needs: string) => (
    <label key={what.id} className="flex cursor-pointer items-center gap-2 border-b border-rule py-1.5">
      <input type="radio" name="loadable" className="accent-plum" checked={chosen?.id === what.id} onChange={() => setPicked(what)} />
      <span className="flex-1 font-semibold">{name}</span>
      <span className="text-right text-ink2">{needs}</span>
    </label>
  )
  return (
    <Dialog title={words.instruments.loadWhich} open onClose={onClose}>
      {isNothing && (
        <p className="mb-3">
          {words.instruments.noRoutes}{' '}
          <Link to="/routes" className="font-semibold text-plum hover:underline">
            {words.routes.new}
          </Link>
        </p>
      )}
      <div role="radiogroup" aria-label={words.instruments.loadWhich} className="mb-3">
        {routes.data?.map((route) =>
          choice({ kind: 'route', id: route.id }, route.name, `${words.routes.stops(route.stops.length)}, ${minutes(route.minutes)}, ${bytes(route.memoryBytes)}`),
        )}
        {setups.data?.map((setup) => choice({ kind: 'setup', id: setup.id }, setup.name, setup.says))}
      </div>
      {chosen && obstacles?.length === 0 && <p className="mb-3 text-ink2">{words.routes.fits}</p>}
      {obstacles?.map((obstacle) => (
        <p key={obstacle} className="mb-2 text-fail">
          {obstacle}
        </p>
      ))}
      {error && <p className="mb-2 text-fail">{error.message}</p>}
      <div className="flex gap-4">
        <Button kind="main" disabled={!chosen || obstacles?.length !== 0} onClick={() => chosen && onLoad(chosen)}>
          {words.routes.load}
        </Button>
        <Button onClick={onClose}>{words.common.cancel}</Button>
      </div>
    </Dialog>
  )
}
