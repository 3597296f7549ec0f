import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { changed } from '../api/subjects'
import type { CandidateLine, ReachKind } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
const KINDS: ReachKind[] = ['NETWORK', 'LINE', 'FOLDER']
const USUAL = {
  NETWORK: { place: '127.0.0.1', number: '5025' },
  LINE: { place: '', number: '115200' },
  FOLDER: { place: '', number: '' },
}

interface Props {
  /** Somebody who answered; nothing for a connection that is typed. */
  candidate: CandidateLine | null
  onClose: () => void
  onAdded: (id: string) => void
}

/** A way to an instrument: asked at once who answers there, and kept only if somebody does. */
export function ConnectDialog({ candidate, onClose, onAdded }: Props) {
  const client = useQueryClient()
  const lines = useQuery(queries.presence()).data?.lines ?? []
  const [name, setName] = useState('')
  const [kind, setKind] = useState<ReachKind>(candidate?.reach.kind ?? 'NETWORK')
  const [place, setPlace] = useState(candidate?.reach.place ?? USUAL.NETWORK.place)
  const [number, setNumber] = useState(candidate ? String(candidate.reach.number) : USUAL.NETWORK.number)
  const [passCode, setPassCode] = useState('')
  const whole = Number(number) || 0
  const connect = useMutation({
    mutationFn: () =>
      data(
        api.POST('/api/connections', {
          body: {
            name,
            kind,
            host: kind === 'NETWORK' ? place : null,
            port: kind === 'NETWORK' ? whole : null,
            place: kind === 'NETWORK' ? null : place,
            baud: kind === 'LINE' ? whole : null,
            passCode,
          },
        }),
      ),
    onSuccess: async (instrument) => {
      await changed(client, 'connections')
      onAdded(instrument.id)
    },
  })
  const choose = (next: ReachKind) => {
    setKind(next)
    setPlace(next === 'LINE' ? (lines[0] ?? '') : USUAL[next].place)
    setNumber(USUAL[next].number)
  }
  const placeLabel =
    kind === 'NETWORK'
      ? t('instruments:host')
      : kind === 'LINE'
        ? t('instruments:connection.line')
        : t('instruments:connection.folder')
  return (
    <Dialog title={t('instruments:add')} open onClose={onClose}>
      <form
        className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2"
        onSubmit={(event) => {
          event.preventDefault()
          connect.mutate()
        }}
      >
        <label htmlFor="connection-name">{t('instruments:connection.name')}</label>
        <input
          id="connection-name"
          className="field"
          placeholder={t('instruments:connection.namePlaceholder')}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <label htmlFor="connection-kind">{t('instruments:connection.by')}</label>
        <select
          id="connection-kind"
          className="field"
          value={kind}
          onChange={(event) => choose(event.target.value as ReachKind)}
        >
          {KINDS.map((one) => (
            <option key={one} value={one}>
              {t(`instruments:connection.kinds.${one}`)}
            </option>
          ))}
        </select>
        <label htmlFor="connection-place">{placeLabel}</label>
        <input
          id="connection-place"
          className="field"
          list="connection-lines"
          value={place}
          onChange={(event) => setPlace(event.target.value)}
        />
        <datalist id="connection-lines">
          {kind === 'LINE' && lines.map((line) => <option key={line} value={line} />)}
        </datalist>
        {kind === 'LINE' && lines.length === 0 && (
          <p className="col-span-2 text-ink2">{t('instruments:connection.noLines')}</p>
        )}
        {kind !== 'FOLDER' && (
          <>
            <label htmlFor="connection-number">
              {kind === 'NETWORK' ? t('instruments:port') : t('instruments:connection.baud')}
            </label>
            <input
              id="connection-number"
              className="field"
              inputMode="numeric"
              value={number}
              onChange={(event) => setNumber(event.target.value)}
            />
            <label htmlFor="connection-code">{t('instruments:passCode')}</label>
            <input
              id="connection-code"
              className="field"
              autoComplete="off"
              value={passCode}
              onChange={(event) => setPassCode(event.target.value)}
            />
          </>
        )}
        <div className="col-span-2">
          <Trouble error={connect.error} />
          <div className="mt-2 flex gap-4">
            <Button
              kind="main"
              type="submit"
              disabled={connect.isPending || !place.trim() || (kind !== 'FOLDER' && whole === 0)}
            >
              {t('instruments:connect')}
            </Button>
            <Button onClick={onClose}>{t('common:cancel')}</Button>
          </div>
        </div>
      </form>
    </Dialog>
  )
}
