import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { OwnUnit, Units } from '../api/types'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { showUnits } from '../units/shown'
import { t } from '../words/t'

const EMPTY: OwnUnit = { symbol: '', name: '', base: 'bar', factor: '', offset: '0' }

/** Units that the company makes itself, by how much of another one they are. */
export function OwnUnits({ units, mayDecide }: { units: Units; mayDecide: boolean }) {
  const client = useQueryClient()
  const [typed, setTyped] = useState<OwnUnit | null>(null)
  const taken = (now: Units) => {
    showUnits(now.shown)
    client.setQueryData(queries.units().queryKey, now)
    void client.invalidateQueries()
  }
  const add = useMutation({
    mutationFn: (unit: OwnUnit): Promise<Units> => data(api.POST('/api/units/own', { body: unit })),
    onSuccess: (now, unit) => {
      taken(now)
      setTyped(null)
      say(t('setup:units.added', { symbol: unit.symbol }), () => remove.mutate(unit))
    },
  })
  const remove = useMutation({
    mutationFn: (unit: OwnUnit): Promise<Units> =>
      data(api.DELETE('/api/units/own', { params: { query: { symbol: unit.symbol } } })),
    onSuccess: (now, unit) => {
      taken(now)
      say(t('setup:units.removed', { symbol: unit.symbol }), () => add.mutate(unit))
    },
  })
  return (
    <div className="mt-3 max-w-[820px]">
      <h3 className="font-semibold">{t('setup:units.own')}</h3>
      <p className="text-ink2">{t('setup:units.ownSay')}</p>
      {units.ownUnits.length > 0 && (
        <ul>
          {units.ownUnits.map((unit) => (
            <li key={unit.symbol} className="flex gap-4 border-b border-rule py-1">
              <span className="w-20 font-semibold">{unit.symbol}</span>
              <span className="w-48">{unit.name}</span>
              <span className="text-ink2">
                1 {unit.symbol} = {unit.factor} {unit.base}
                {unit.offset === '0' ? '' : `; 0 ${unit.symbol} = ${unit.offset} ${unit.base}`}
              </span>
              {mayDecide && (
                <Button className="ml-auto" onClick={() => remove.mutate(unit)}>
                  {t('setup:units.remove', { symbol: unit.symbol })}
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      <Trouble error={add.error ?? remove.error} />
      {mayDecide && typed === null && <Button onClick={() => setTyped(EMPTY)}>{t('setup:units.addOwn')}</Button>}
      {typed && (
        <OwnUnitForm
          bases={[...new Set(units.kinds.flatMap((kind) => kind.units))].filter(
            (unit) => !units.ownUnits.some((own) => own.symbol === unit),
          )}
          typed={typed}
          isPending={add.isPending}
          onType={setTyped}
          onSave={() => add.mutate(typed)}
          onCancel={() => setTyped(null)}
        />
      )}
    </div>
  )
}

interface FormProps {
  bases: string[]
  typed: OwnUnit
  isPending: boolean
  onType: (unit: OwnUnit) => void
  onSave: () => void
  onCancel: () => void
}

function OwnUnitForm({ bases, typed, isPending, onType, onSave, onCancel }: FormProps) {
  const field = (key: 'symbol' | 'name' | 'factor' | 'offset', width: string) => (
    <label className="flex flex-col text-[12px] text-ink2">
      {t(`setup:units.fields.${key}`)}
      <input
        className={`field text-[14px] ${width}`}
        maxLength={key === 'name' ? 80 : 40}
        value={typed[key]}
        onChange={(event) => onType({ ...typed, [key]: event.target.value })}
      />
    </label>
  )
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        onSave()
      }}
    >
      {field('name', 'w-48')}
      {field('symbol', 'w-24')}
      <span className="pb-1.5">1 {typed.symbol || '…'} =</span>
      {field('factor', 'w-24')}
      <label className="flex flex-col text-[12px] text-ink2">
        {t('setup:units.fields.base')}
        <select
          className="field text-[14px]"
          value={typed.base}
          onChange={(event) => onType({ ...typed, base: event.target.value })}
        >
          {bases.map((base) => (
            <option key={base}>{base}</option>
          ))}
        </select>
      </label>
      {field('offset', 'w-20')}
      <Button
        kind="main"
        type="submit"
        disabled={isPending || typed.symbol.trim() === '' || typed.factor.trim() === ''}
      >
        {t('setup:units.addThis')}
      </Button>
      <Button onClick={onCancel}>{t('common:cancel')}</Button>
    </form>
  )
}
