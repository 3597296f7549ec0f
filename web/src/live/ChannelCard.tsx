import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import type { Go, LiveChannel, LiveKind } from '../api/types'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { limit, number, typedNumber } from '../units/format'
import { t } from '../words/t'
import { GoMark } from './GoMark'

interface Props {
  kind: LiveKind
  id: string
  channel: LiveChannel
  value: number | null
  go: Go
  isShown: boolean
  mayEdit: boolean
  onToggle: () => void
}

/** A channel: its value large, whether it keeps to its limits, and whether it is shown. */
export function ChannelCard({ kind, id, channel, value, go, isShown, mayEdit, onToggle }: Props) {
  const [isEditing, setEditing] = useState(false)
  return (
    <li className={`border-b border-rule px-4 py-2.5 ${isShown ? '' : 'opacity-60'}`}>
      <div className="flex items-center justify-between gap-3">
        <label className="flex min-w-0 cursor-pointer items-center gap-2 font-semibold">
          <input
            type="checkbox"
            className="h-4 w-4 accent-plum"
            aria-label={t('live:show', { name: channel.name })}
            checked={isShown}
            onChange={onToggle}
          />
          <span className="truncate">{channel.name}</span>
        </label>
        <GoMark go={go} />
      </div>
      <p className="text-[26px] leading-8 font-semibold tabular-nums">
        {value === null ? (
          <span className="text-[15px] font-normal text-ink3">{t('live:noValue')}</span>
        ) : (
          number(value, channel.unit, channel.low, channel.high)
        )}{' '}
        <span className="text-[15px] font-normal text-ink2">{channel.unit}</span>
      </p>
      {isEditing ? (
        <LimitFields kind={kind} id={id} channel={channel} onDone={() => setEditing(false)} />
      ) : (
        <p className="text-ink2">
          {said(channel)} {mayEdit && <Button onClick={() => setEditing(true)}>{t('live:limits')}</Button>}
        </p>
      )}
    </li>
  )
}

function said({ low, high, unit }: LiveChannel): string {
  if (low === null && high === null) return t('live:noLimit')
  if (low !== null && high !== null) return `${limit(low, unit)} ${t('live:between')} ${limit(high, unit)}`
  return low === null ? `≤ ${limit(high ?? 0, unit)}` : `≥ ${limit(low, unit)}`
}

function LimitFields({
  kind,
  id,
  channel,
  onDone,
}: {
  kind: LiveKind
  id: string
  channel: LiveChannel
  onDone: () => void
}) {
  const [low, setLow] = useState(channel.low === null ? '' : String(channel.low))
  const [high, setHigh] = useState(channel.high === null ? '' : String(channel.high))
  const isWrong = (typed: string) => typed.trim() !== '' && typedNumber(typed) === null
  const set = useMutation({
    mutationFn: () =>
      data(
        api.PUT('/api/live/{kind}/{id}/limits', {
          params: { path: { kind, id } },
          body: { channel: channel.name, low: typedNumber(low), high: typedNumber(high) },
        }),
      ),
    onSuccess: onDone,
  })
  return (
    <form
      aria-label={t('live:limitsOf', { name: channel.name })}
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        set.mutate()
      }}
    >
      <input
        autoFocus
        aria-label={t('live:low', { name: channel.name })}
        inputMode="decimal"
        className="field w-20 text-right"
        value={low}
        onChange={(event) => setLow(event.target.value)}
      />
      {t('live:between')}
      <input
        aria-label={t('live:high', { name: channel.name })}
        inputMode="decimal"
        className="field w-20 text-right"
        value={high}
        onChange={(event) => setHigh(event.target.value)}
      />
      <Button type="submit" disabled={isWrong(low) || isWrong(high) || set.isPending}>
        {t('live:save')}
      </Button>
      <Trouble error={set.error} />
    </form>
  )
}
