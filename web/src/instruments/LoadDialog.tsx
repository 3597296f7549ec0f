import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { useState } from 'react'
import { queries } from '../api/queries'
import { changed } from '../api/subjects'
import type { GateItem, InstrumentView, JobView } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { bytes, minutes } from '../units/format'
import { t } from '../words/t'
import { nameOf } from './instrumentName'
import { JobPanel } from '../parts/JobPanel'
import { isOpen, LoadGate } from './LoadGate'
import { useJob } from '../parts/useJob'
import { useSetClock } from './useSetClock'

/** What goes onto an instrument. */
export interface Loadable {
  kind: 'route' | 'setup'
  id: string
}

interface Props {
  instrument: InstrumentView
  first: Loadable | undefined
  onClose: () => void
  onLoad: (what: Loadable, accepted: GateItem['kind'][]) => void
}

/** Which route or set-up goes to the instrument, and everything that is to be looked at before it does. */
export function LoadDialog({ instrument, first, onClose, onLoad }: Props) {
  const routes = useQuery(queries.routes())
  const setups = useQuery({ ...queries.setups(), select: (all) => all.filter((setup) => setup.isLoadable) })
  const [picked, setPicked] = useState(first)
  const usual: Loadable | undefined = routes.data?.[0]
    ? { kind: 'route', id: routes.data[0].id }
    : setups.data?.[0] && { kind: 'setup', id: setups.data[0].id }
  const chosen = picked ?? usual
  const isNothing = routes.data?.length === 0 && setups.data?.length === 0
  const choice = (what: Loadable, name: string, needs: string) => (
    <label key={what.id} className="flex cursor-pointer items-center gap-2 border-b border-rule py-1.5">
      <input
        type="radio"
        name="loadable"
        className="accent-plum"
        checked={chosen?.id === what.id}
        onChange={() => setPicked(what)}
      />
      <span className="flex-1 font-semibold">{name}</span>
      <span className="text-right text-ink2">{needs}</span>
    </label>
  )
  return (
    <Dialog title={t('instruments:gate.title', { name: nameOf(instrument) })} open wide onClose={onClose}>
      {isNothing && (
        <p className="mb-3">
          {t('instruments:noRoutes')}{' '}
          <Link to="/routes" className="font-semibold text-plum hover:underline">
            {t('routes:new')}
          </Link>
        </p>
      )}
      <div role="radiogroup" aria-label={t('instruments:loadWhich')} className="mb-4 max-h-[26vh] overflow-auto">
        {routes.data?.map((route) =>
          choice(
            { kind: 'route', id: route.id },
            route.name,
            `${t('routes:stops', { n: route.stops.length })}, ${minutes(route.minutes)}, ${bytes(route.memoryBytes)}`,
          ),
        )}
        {setups.data?.map((setup) => choice({ kind: 'setup', id: setup.id }, setup.name, setup.says))}
      </div>
      {chosen ? (
        <Gate key={chosen.id} instrument={instrument} chosen={chosen} onClose={onClose} onLoad={onLoad} />
      ) : (
        <Button onClick={onClose}>{t('common:cancel')}</Button>
      )}
    </Dialog>
  )
}

/** What one choice meets at the gate. */
function Gate({
  instrument,
  chosen,
  onClose,
  onLoad,
}: {
  instrument: InstrumentView
  chosen: Loadable
  onClose: () => void
  onLoad: Props['onLoad']
}) {
  const client = useQueryClient()
  const gate = useQuery(queries.loadGate(instrument.id, chosen))
  const [accepted, setAccepted] = useState<ReadonlySet<GateItem['kind']>>(new Set())
  const [started, setStarted] = useState<JobView | null>(null)
  const again = () => changed(client, 'loaded', 'readings')
  const job = useJob(started, () => void again())
  const setClock = useSetClock(instrument.id, { onJob: setStarted, onSettled: again })
  const items = gate.data?.items ?? []
  const open = items.filter((item) => isOpen(item, accepted))
  const isBusy = setClock.isPending || job?.state === 'RUNNING'
  const accept = (kind: GateItem['kind'], on: boolean) => {
    const next = new Set(accepted)
    if (on) next.add(kind)
    else next.delete(kind)
    setAccepted(next)
  }
  return (
    <section aria-label={t('instruments:gate.label')} aria-live="polite">
      <p className="mb-2 font-semibold">
        {gate.isPending
          ? t('instruments:looking')
          : gate.data
            ? t('instruments:gate.say', {
                n: open.length,
                open: open.map((item) => t(`instruments:gate.kinds.${item.kind}`)).join(', '),
              })
            : ''}
      </p>
      <Trouble error={gate.error ?? setClock.error} />
      {gate.error && <Button onClick={() => void gate.refetch()}>{t('common:tryAgain')}</Button>}
      {gate.data && (
        <LoadGate
          items={items}
          accepted={accepted}
          onAccept={accept}
          onSetClock={isBusy ? undefined : () => setClock.mutate()}
        />
      )}
      {job && <JobPanel job={job} onTryAgain={() => setClock.mutate()} />}
      <div className="mt-3 flex gap-4">
        <Button
          kind="main"
          disabled={!gate.data || open.length > 0 || isBusy}
          onClick={() => onLoad(chosen, [...accepted])}
        >
          {t('instruments:load')}
        </Button>
        <Button onClick={onClose}>{t('common:cancel')}</Button>
      </div>
    </section>
  )
}
