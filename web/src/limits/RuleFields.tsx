import type { RuleKind } from '../api/types'
import { Button } from '../parts/Button'
import { UnitField } from '../parts/UnitField'
import { t } from '../words/t'
import { freshRule, isBand, isDeviation, kinds, type TypedRule } from './ruleForm'

interface Props {
  rule: TypedRule
  number: number
  unit: string
  onChange: (rule: TypedRule) => void
  onRemove: (() => void) | undefined
}

/** One rule: what kind, and its boundaries. */
export function RuleFields({ rule, number, unit, onChange, onRemove }: Props) {
  const set = (part: Partial<TypedRule>) => onChange({ ...rule, ...part })
  const field = (key: 'watch' | 'fail' | 'watchLow' | 'failLow' | 'target', label: string) => (
    <label key={key} className="flex flex-col text-[12px] text-ink2">
      {label}
      <UnitField
        label={onRemove ? `${t('limits:rule', { n: number })}, ${label}` : label}
        value={rule[key]}
        unit={unit}
        isDifference={isDeviation(rule.kind) && key !== 'target'}
        onChange={(text) => set({ [key]: text })}
      />
    </label>
  )
  return (
    <fieldset className="mb-3 flex flex-wrap items-end gap-3 border-l-2 border-rule2 pl-3">
      <label className="flex flex-col text-[12px] text-ink2">
        {t('limits:kind')}
        <select
          aria-label={onRemove ? `${t('limits:rule', { n: number })}, ${t('limits:kind')}` : t('limits:kind')}
          className="field text-[14px]"
          value={rule.kind}
          onChange={(event) =>
            onChange({ ...freshRule(event.target.value as RuleKind), watch: rule.watch, fail: rule.fail })
          }
        >
          {kinds.map((kind) => (
            <option key={kind} value={kind}>
              {t(`limits:kinds.${kind}`)}
            </option>
          ))}
        </select>
      </label>
      {rule.kind === 'TARGET' && field('target', t('limits:target'))}
      {isDeviation(rule.kind) && (
        <label className="flex flex-col text-[12px] text-ink2">
          {t('limits:side')}
          <select
            aria-label={t('limits:side')}
            className="field text-[14px]"
            value={rule.side}
            onChange={(event) => set({ side: event.target.value as TypedRule['side'] })}
          >
            {(['UP', 'DOWN', 'BOTH'] as const).map((side) => (
              <option key={side} value={side}>
                {t(`limits:sides.${side}`)}
              </option>
            ))}
          </select>
        </label>
      )}
      {isBand(rule.kind)
        ? [
            field('watchLow', t('limits:watchLow')),
            field('watch', t('limits:watchHigh')),
            field('failLow', t('limits:failLow')),
            field('fail', t('limits:failHigh')),
          ]
        : [field('watch', t('limits:watch')), field('fail', t('limits:fail'))]}
      <UnitOf rule={rule} unit={unit} onChange={set} />
      {onRemove && (
        <Button className="pb-1.5" onClick={onRemove}>
          {t('limits:removeRule', { n: number })}
        </Button>
      )}
    </fieldset>
  )
}

/** What the boundaries are counted in. */
function UnitOf({
  rule,
  unit,
  onChange,
}: {
  rule: TypedRule
  unit: string
  onChange: (part: Partial<TypedRule>) => void
}) {
  if (rule.kind === 'SCATTER') {
    return (
      <select
        aria-label={t('limits:kinds.SCATTER')}
        className="field"
        value={rule.isRobust ? 'MAD' : 's'}
        onChange={(event) => onChange({ isRobust: event.target.value === 'MAD' })}
      >
        <option value="MAD">{t('limits:robust')}</option>
        <option value="s">{t('limits:classical')}</option>
      </select>
    )
  }
  if (rule.kind === 'BASELINE' || rule.kind === 'SISTERS') {
    return (
      <select
        aria-label={t('limits:share')}
        className="field"
        value={rule.isShare ? 'share' : 'unit'}
        onChange={(event) => onChange({ isShare: event.target.value === 'share' })}
      >
        <option value="share">{t('limits:share')}</option>
        <option value="unit">{unit}</option>
      </select>
    )
  }
  return <span className="pb-1.5 text-ink2">{rule.kind === 'RATE' ? t('limits:perDay', { unit }) : unit}</span>
}
