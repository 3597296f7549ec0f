import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { ChosenUnit, UnitKind, Units as AllUnits } from '../api/types'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { number } from '../units/format'
import { shownIn } from '../units/shown'
import { type WordingKey, t } from '../words/t'
import { OwnUnits } from './OwnUnits'
import { examples, presets } from './unitExamples'
import { type Whose, held, useUnitChoice } from './useUnitChoice'

/** Which unit each kind of quantity is shown in. */
export function Units({ mayDecide }: { mayDecide: boolean }) {
  const units = useQuery(queries.units())
  const [whose, setWhose] = useState<Whose>('mine')
  const choose = useUnitChoice(whose)
  const mayChoose = whose === 'mine' || mayDecide
  return (
    <section className="mb-6" id="units" aria-labelledby="units-title">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h2 id="units-title" className="font-semibold">
          {t('setup:units.title')}
        </h2>
        <span role="radiogroup" aria-labelledby="units-title" className="flex gap-4">
          {(['mine', 'everybody'] as const).map((one) => (
            <label key={one} className="flex min-h-[26px] items-center gap-1.5">
              <input
                type="radio"
                name="whose"
                className="h-4 w-4 accent-plum"
                checked={whose === one}
                onChange={() => setWhose(one)}
              />
              {t(`setup:units.${one}`)}
            </label>
          ))}
        </span>
        {mayChoose && units.data && (
          <span className="ml-auto flex gap-4 text-ink2">
            {t('setup:units.preset')}
            {presets.map((preset) => (
              <Button
                key={preset.name}
                onClick={() =>
                  choose.mutate({
                    wanted: units.data.kinds.map(({ kind }) => ({ kind, chosen: preset.chosen(kind) })),
                    before: units.data.kinds.map((kind) => held(kind, whose)),
                  })
                }
              >
                {t(`setup:units.presets.${preset.name}`)}
              </Button>
            ))}
          </span>
        )}
      </div>
      <p className="mb-1 text-ink2">{t('setup:units.say')}</p>
      <Trouble error={units.error ?? choose.error} />
      {units.data && (
        <UnitTable
          units={units.data}
          whose={whose}
          disabled={!mayChoose || choose.isPending}
          onChoose={(kind, chosen) =>
            choose.mutate({ wanted: [{ kind: kind.kind, chosen }], before: [held(kind, whose)] })
          }
        />
      )}
      {units.data && <OwnUnits units={units.data} mayDecide={mayDecide} />}
    </section>
  )
}

interface TableProps {
  units: AllUnits
  whose: Whose
  disabled: boolean
  onChoose: (kind: UnitKind, chosen: ChosenUnit | null) => void
}

function UnitTable({ units, whose, disabled, onChoose }: TableProps) {
  return (
    <table className="ledger max-w-[820px]">
      <thead>
        <tr>
          <th>{t('setup:units.quantity')}</th>
          <th>{t('setup:units.shown')}</th>
          <th>{t('setup:units.decimals')}</th>
          <th className="num">{t('setup:units.example')}</th>
          <th />
          <th className="num">{t('setup:units.stored')}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {units.kinds.map((kind) => (
          <UnitRow key={kind.kind} kind={kind} whose={whose} disabled={disabled} onChoose={onChoose} />
        ))}
      </tbody>
    </table>
  )
}

function UnitRow({ kind, whose, disabled, onChoose }: Omit<TableProps, 'units'> & { kind: UnitKind }) {
  const name = t(`setup:units.kinds.${kind.kind}` as WordingKey)
  const chosen = held(kind, whose).chosen
  const inherited = whose === 'mine' ? kind.everybody : null
  const example = examples[kind.kind] ?? 1
  const by = shownIn(kind.usual)
  return (
    <tr>
      <td className={chosen ? 'font-semibold' : ''}>{name}</td>
      <td>
        <select
          aria-label={t('setup:units.unitOf', { name })}
          className="field"
          disabled={disabled}
          value={chosen?.unit ?? ''}
          onChange={(event) =>
            onChoose(
              kind,
              event.target.value === '' ? null : { unit: event.target.value, decimals: chosen?.decimals ?? null },
            )
          }
        >
          <option value="">
            {inherited ? t('setup:units.asEverybody', { unit: inherited.unit }) : t('setup:units.asStored')}
          </option>
          {kind.units.map((unit) => (
            <option key={unit}>{unit}</option>
          ))}
        </select>
      </td>
      <td>
        <select
          aria-label={t('setup:units.decimalsOf', { name })}
          className="field"
          disabled={disabled}
          value={chosen?.decimals ?? ''}
          onChange={(event) =>
            onChoose(kind, {
              unit: chosen?.unit ?? inherited?.unit ?? kind.usual,
              decimals: event.target.value === '' ? null : Number(event.target.value),
            })
          }
        >
          <option value="">{t('setup:units.asMeasured')}</option>
          {[0, 1, 2, 3, 4, 5, 6].map((decimals) => (
            <option key={decimals}>{decimals}</option>
          ))}
        </select>
      </td>
      <td className="num font-semibold">{number(by.value(example), by.unit)}</td>
      <td className="text-ink3">{by.unit}</td>
      <td className="num text-ink3">{by.unit === kind.usual ? '' : number(example, '')}</td>
      <td className="text-ink3">{by.unit === kind.usual ? '' : kind.usual}</td>
    </tr>
  )
}
