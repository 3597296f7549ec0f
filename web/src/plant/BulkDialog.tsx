import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { Option, OutlineFilter } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { shownIn } from '../units/shown'
import { t } from '../words/t'
import { usePlantEdit } from './usePlantEdit'

/** Many rows: all that are found, or those that were taken. */
export type Many = { count: number; ids: string[] | null; filter: OutlineFilter | null }

/** One thing that can be said of many rows at once. */
interface Choice {
  key: string
  name: string
  unit: string
  options: Option[]
}

function useChoices(): Choice[] {
  const techniques = useQuery(queries.techniques())
  return (techniques.data ?? []).flatMap((technique) => [
    ...technique.settings.map((one) => ({
      key: `setting.${technique.id}.${one.key}`,
      name: `${technique.name}: ${one.name}`,
      unit: one.unit,
      options: one.options,
    })),
    ...technique.results.map((one) => ({
      key: `limit.${technique.id}.${one.id}`,
      name: t('plant:bulk.limitOf', { result: one.name }),
      // As the limits themselves are shown; the server keeps them in the result's own.
      unit: shownIn(one.unit).unit,
      options: [],
    })),
  ])
}

/** Type once, for many rows; undone at once, too. */
export function BulkDialog({ many, onClose }: { many: Many; onClose: () => void }) {
  const choices = useChoices()
  const [key, setKey] = useState('')
  const [value, setValue] = useState('')
  const [fail, setFail] = useState('')
  const [inherits, setInherits] = useState(false)
  const { changeMany } = usePlantEdit()
  const chosen = choices.find((choice) => choice.key === key) ?? choices[0]
  const isLimit = chosen?.key.startsWith('limit.') ?? false
  const boundary = (typed: string) => typed.trim().replace(',', '.') || '-'
  const written = isLimit
    ? value.trim() || fail.trim()
      ? `${boundary(value)}/${boundary(fail)} ${chosen?.unit}`
      : ''
    : value.trim().replace(',', '.')
  const isSaid = inherits || written !== ''
  return (
    <Dialog title={t('plant:bulk.title', { n: many.count })} open onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          if (chosen)
            changeMany.mutate(
              { ids: many.ids, filter: many.filter, facets: { [chosen.key]: inherits ? '' : written } },
              { onSuccess: onClose },
            )
        }}
      >
        <select
          aria-label={t('plant:bulk.what')}
          className="field w-full"
          autoFocus
          value={chosen?.key}
          onChange={(event) => {
            setKey(event.target.value)
            setValue('')
            setFail('')
          }}
        >
          {choices.map((choice) => (
            <option key={choice.key} value={choice.key}>
              {choice.name}
            </option>
          ))}
        </select>
        <div className="flex items-center gap-2">
          {chosen && chosen.options.length > 0 ? (
            <select
              aria-label={t('plant:bulk.value')}
              disabled={inherits}
              className="field w-40"
              value={value}
              onChange={(event) => setValue(event.target.value)}
            >
              <option value="" />
              {chosen.options.map((option) => (
                <option key={option.value} value={option.value}>
                  {option.name}
                </option>
              ))}
            </select>
          ) : (
            <input
              aria-label={isLimit ? t('limits:watch') : t('plant:bulk.value')}
              placeholder={isLimit ? t('limits:watch') : ''}
              disabled={inherits}
              className="field w-36 text-right"
              inputMode="decimal"
              value={value}
              onChange={(event) => setValue(event.target.value)}
            />
          )}
          {isLimit && (
            <input
              aria-label={t('limits:fail')}
              placeholder={t('limits:fail')}
              disabled={inherits}
              className="field w-36 text-right"
              inputMode="decimal"
              value={fail}
              onChange={(event) => setFail(event.target.value)}
            />
          )}
          <span className="text-ink3">{chosen?.unit}</span>
        </div>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="h-4 w-4 accent-plum"
            checked={inherits}
            onChange={(event) => setInherits(event.target.checked)}
          />
          {t('plant:bulk.inherit')}
        </label>
        <p className="text-ink2">{t('plant:bulk.explain')}</p>
        <Trouble error={changeMany.error} />
        <div className="flex gap-4">
          <Button kind="main" type="submit" disabled={!chosen || !isSaid || changeMany.isPending}>
            {t('plant:bulk.change', { n: many.count })}
          </Button>
          <Button onClick={onClose}>{t('common:cancel')}</Button>
        </div>
      </form>
    </Dialog>
  )
}
