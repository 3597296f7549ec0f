import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { SettingEffect, SettingLine } from '../api/types'
import { changed } from '../api/subjects'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { remember } from './plantHistory'

interface Props {
  nodeId: string
  isOpen: boolean
  onOpen: (open: boolean) => void
  mayEdit: boolean
}

/** How checks here and below are made: what is set here in dark ink, what is inherited in lighter ink with its origin. */
export function SettingsPanel({ nodeId, isOpen, onOpen, mayEdit }: Props) {
  const client = useQueryClient()
  const settings = useQuery(queries.settings(nodeId))
  const set = useMutation({
    mutationFn: (values: Record<string, string | null>) =>
      data(
        api.PUT('/api/plant/nodes/{id}/settings', {
          params: { path: { id: nodeId } },
          body: values as Record<string, string>,
        }),
      ),
    onSuccess: (committed) => {
      if (committed.changeId) remember(committed.changeId)
      setWanted(null)
    },
    onSettled: () => changed(client, 'settings'),
  })
  const [wanted, setWanted] = useState<{ values: Record<string, string | null>; effect: SettingEffect } | null>(null)
  const ask = useMutation({
    mutationFn: (values: Record<string, string | null>) =>
      data(
        api.POST('/api/plant/nodes/{id}/settings/effect', {
          params: { path: { id: nodeId } },
          body: values as Record<string, string>,
        }),
      ),
    // One check alone is what the person is looking at; several are shown before they change.
    onSuccess: (effect, values) => (effect.checks > 1 ? setWanted({ values, effect }) : set.mutate(values)),
  })
  return (
    <details
      className="mt-5 border-t border-rule pt-2"
      open={isOpen}
      onToggle={(event) => onOpen(event.currentTarget.open)}
    >
      <summary className="cursor-pointer font-semibold">{t('plant:settings')}</summary>
      <Trouble error={settings.error ?? ask.error ?? set.error} />
      {wanted && (
        <EffectQuestion
          effect={wanted.effect}
          isPending={set.isPending}
          onChange={() => set.mutate(wanted.values)}
          onLeave={() => setWanted(null)}
        />
      )}
      <table className="ledger mt-1 max-w-[600px]">
        <tbody>
          {settings.data?.map((line) => (
            <tr key={line.key}>
              <td className="w-40">{line.name}</td>
              <td className="w-44">
                <SettingValue
                  key={`${line.value} ${wanted === null}`}
                  line={line}
                  mayEdit={mayEdit}
                  onSet={(value) => ask.mutate({ [line.key]: value })}
                />
              </td>
              <td className="text-ink3">
                <Origin line={line} nodeId={nodeId} />
                {line.overriddenBelow > 0 && `, ${t('plant:overriddenBelow', { n: line.overriddenBelow })}`}
                {line.own && mayEdit && !line.sensor && (
                  <>
                    {', '}
                    <Button onClick={() => ask.mutate({ [line.key]: null })}>{t('plant:inheritAgain')}</Button> (
                    {line.inherited})
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  )
}

/** What would change, before it does. */
function EffectQuestion({
  effect,
  isPending,
  onChange,
  onLeave,
}: {
  effect: SettingEffect
  isPending: boolean
  onChange: () => void
  onLeave: () => void
}) {
  return (
    <div role="alert" className="my-2 border-l-[3px] border-plum bg-wash px-3 py-2">
      <p className="font-semibold">
        {t('plant:effect.would', { n: effect.checks })}
        {t('plant:effect.kept', { n: effect.kept })}.
      </p>
      <p className="text-ink2">
        {effect.first.join('; ')}
        {effect.checks > effect.first.length &&
          ` ${t('plant:effect.more', { n: effect.checks - effect.first.length })}`}
      </p>
      <p className="mt-1 flex gap-4">
        <Button kind="second" disabled={isPending} onClick={onChange}>
          {t('plant:effect.change')}
        </Button>
        <Button onClick={onLeave}>{t('plant:effect.leave')}</Button>
      </p>
    </div>
  )
}

function Origin({ line, nodeId }: { line: SettingLine; nodeId: string }) {
  if (line.sensor) return <>{t('sensors:of', { tag: line.sensor })}</>
  if (line.originId === null) return <>{t('plant:fromDefault')}</>
  if (line.originId === nodeId) return <>{t('plant:own')}</>
  return (
    <Link to="/plant" search={{ node: line.originId }} className="text-plum hover:underline">
      {line.originName}
    </Link>
  )
}

function SettingValue({
  line,
  mayEdit,
  onSet,
}: {
  line: SettingLine
  mayEdit: boolean
  onSet: (value: string) => void
}) {
  const [text, setText] = useState(line.value)
  const ink = line.own && !line.sensor ? 'font-semibold' : 'text-ink3'
  if (!mayEdit || line.sensor) {
    return (
      <span className={ink}>
        {line.value} {line.unit}
      </span>
    )
  }
  const keep = (value: string) => value.trim() !== line.value && onSet(value.trim())
  return (
    <span className="flex items-center gap-1.5">
      {line.options.length > 0 ? (
        <select
          aria-label={line.name}
          className={`field w-28 ${ink}`}
          value={line.value}
          onChange={(event) => keep(event.target.value)}
        >
          {line.options.map((option) => (
            <option key={option.value} value={option.value}>
              {option.name}
            </option>
          ))}
          {!line.options.some((option) => option.value === line.value) && <option>{line.value}</option>}
        </select>
      ) : (
        <input
          aria-label={line.name}
          className={`field ${line.hint === '' ? 'w-28 text-right' : 'w-72'} ${ink}`}
          inputMode={line.hint === '' ? 'decimal' : 'text'}
          placeholder={line.hint}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onBlur={() => keep(text)}
          onKeyDown={(event) => event.key === 'Enter' && keep(text)}
        />
      )}
      <span className="text-ink3">{line.unit}</span>
    </span>
  )
}
