import type { RuleKind } from '../api/types'
import { Button } from '../parts/Button'
import { words } from '../words/en'
import { freshRule, isBand, isDeviation, kinds, type TypedRule } from './ruleForm'

const text = words.limits

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
      <input
        aria-label={onRemove ? `${text.rule(number)}, ${label}` : label}
        inputMode="decimal"
        className="field w-24 text-right text-[14px]"
        value={rule[key]}
        onChange={(event) => set({ [key]: event.target.value })}
      />
    </label>
  )
  return (
    <fieldset className="mb-3 flex flex-wrap items-end gap-3 border-l-2 border-rule2 pl-3">
      <label className="flex flex-col text-[12px] text-ink2">
        {text.kind}
        <select
          aria-label={onRemove ? `${text.rule(number)}, ${text.kind}` : text.kind}
          className="field text-[14px]"
          value={rule.kind}
          onChange={(event) =>
            onChange({ ...freshRule(event.target.value as RuleKind), watch: rule.watch, fail: rule.fail })
          }
        >
          {kinds.map((kind) => (
            <option key={kind} value={kind}>
              {text.kinds[kind]}
            </option>
          ))}
        </select>
      </label>
      {rule.kind === 'TARGET' && field('target', text.target)}
      {isDeviation(rule.kind) && (
        <label className="flex flex-col text-[12px] text-ink2">
          {text.side}
          <select
            aria-label={text.side}
            className="field text-[14px]"
            value={rule.side}
            onChange={(event) => set({ side: event.target.value as TypedRule['side'] })}
          >
            {(['UP', 'DOWN', 'BOTH'] as const).map((side) => (
              <option key={side} value={side}>
                {text.sides[side]}
              </option>
            ))}
          </select>
        </label>
      )}
      {isBand(rule.kind)
        ? [
            field('watchLow', text.watchLow),
            field('watch', text.watchHigh),
            field('failLow', text.failLow),
            field('fail', text.failHigh),
          ]
        : [field('watch', text.watch), field('fail', text.fail)]}
      <UnitOf rule={rule} unit={unit} onChange={set} />
      {onRemove && (
        <Button className="pb-1.5" onClick={onRemove}>
          {text.removeRule(number)}
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
        aria-label={text.kinds.SCATTER}
        className="field"
        value={rule.isRobust ? 'MAD' : 's'}
        onChange={(event) => onChange({ isRobust: event.target.value === 'MAD' })}
      >
        <option value="MAD">{text.robust}</option>
        <option value="s">{text.classical}</option>
      </select>
    )
  }
  if (rule.kind === 'BASELINE' || rule.kind === 'SISTERS') {
    return (
      <select
        aria-label={text.share}
        className="field"
        value={rule.isShare ? 'share' : 'unit'}
        onChange={(event) => onChange({ isShare: event.target.value === 'share' })}
      >
        <option value="share">{text.share}</option>
        <option value="unit">{unit}</option>
      </select>
    )
  }
  return <span className="pb-1.5 text-ink2">{rule.kind === 'RATE' ? text.perDay(unit) : unit}</span>
}
