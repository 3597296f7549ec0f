import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { InstrumentView, RouteView } from '../api/types'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { nameOf as named } from '../instruments/instrumentName'
import { t } from '../words/t'
import type { useSplit } from './useSplit'

const nameOf = (instrument: InstrumentView | undefined) => (instrument ? named(instrument) : '')

/** One route shared between two instruments: what each would take is shown first, then it is split so. */
export function ShareRoute({
  route,
  instruments,
  split,
}: {
  route: RouteView
  instruments: InstrumentView[]
  split: ReturnType<typeof useSplit>
}) {
  const [isOpen, setOpen] = useState(false)
  const [ids, setIds] = useState<[string, string]>([instruments[0]?.id ?? '', instruments[1]?.id ?? ''])
  const isPair = ids[0] !== ids[1] && ids[1] !== ''
  const share = useQuery({ ...queries.share(ids[0], ids[1], route.id), enabled: isOpen && isPair })
  const [one, other] = ids.map((id) => instruments.find((instrument) => instrument.id === id))
  if (!isOpen) {
    return (
      <p className="mt-2">
        <Button onClick={() => setOpen(true)}>{t('routes:share')}</Button>
      </p>
    )
  }
  const choose = (which: 0 | 1) => (
    <select
      aria-label={`${t('routes:share')} ${which + 1}`}
      className="field"
      value={ids[which]}
      onChange={(event) => setIds(which === 0 ? [event.target.value, ids[1]] : [ids[0], event.target.value])}
    >
      {instruments.map((instrument) => (
        <option key={instrument.id} value={instrument.id}>
          {nameOf(instrument)}
        </option>
      ))}
    </select>
  )
  const halves = share.data
  const canSplit =
    halves !== undefined && halves.left === 0 && halves.firstChecks.length > 0 && halves.secondChecks.length > 0
  return (
    <div className="mt-3 border-l-[3px] border-plum bg-wash px-3 py-2">
      <p className="flex flex-wrap items-center gap-2">
        <span className="font-semibold">{t('routes:share')}:</span> {choose(0)} {t('routes:shareWith')} {choose(1)}
      </p>
      <Trouble error={share.error ?? split.error} />
      {halves && (
        <p className="mt-1">
          {t('routes:shareTakes', { model: nameOf(one), stops: halves.firstChecks.length })},{' '}
          {t('routes:shareTakes', { model: nameOf(other), stops: halves.secondChecks.length })}
          {halves.left > 0 && `; ${t('routes:shareLeft', { n: halves.left })}`}.
          {halves.reasons.map((reason) => (
            <span key={reason} className="block text-ink2">
              {reason}
            </span>
          ))}
        </p>
      )}
      <p className="mt-2 flex gap-4">
        <Button
          kind="second"
          disabled={!canSplit || split.isPending}
          onClick={() => halves && split.mutate(halves.firstChecks)}
        >
          {t('routes:shareDo')}
        </Button>
        <Button onClick={() => setOpen(false)}>{t('common:cancel')}</Button>
      </p>
    </div>
  )
}
