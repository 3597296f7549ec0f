import type { ChosenUnit, UnitKind } from '../api/types'
import { type WordingKey, t } from '../words/t'
import { number } from './format'
import type { Conversion } from './shown'
import { examples } from './examples'

interface Props {
  kinds: UnitKind[]
  chosen: (kind: UnitKind) => ChosenUnit | null
  /** What holds where nothing is chosen; null for what is stored. */
  inherited: (kind: UnitKind) => ChosenUnit | null
  /** How what is stored is shown to whom it is chosen for. */
  by: (stored: string) => Conversion
  disabled: boolean
  onChoose: (kind: UnitKind, chosen: ChosenUnit | null) => void
}

/** Which unit each kind of quantity is shown in, and how that looks to whoever chooses. */
export function UnitTable({ kinds, ...more }: Props) {
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
        {kinds.map((kind) => (
          <UnitRow key={kind.kind} kind={kind} {...more} />
        ))}
      </tbody>
    </table>
  )
}

function UnitRow({ kind, disabled, onChoose, ...of }: Omit<Props, 'kinds'> & { kind: UnitKind }) {
  const name = t(`setup:units.kinds.${kind.kind}` as WordingKey)
  const chosen = of.chosen(kind)
  const inherited = of.inherited(kind)
  const example = examples[kind.kind] ?? 1
  const by = of.by(kind.usual)
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
            <option key={unit} value={unit}>
              {unit}
            </option>
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
            <option key={decimals} value={decimals}>
              {decimals}
            </option>
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
