import type { LimitForm, RuleDraft, RuleKind } from '../api/types'
import { typedNumber } from '../units/format'
import { written } from '../units/locale'

/** A rule while it is typed. */
export interface TypedRule {
  kind: RuleKind
  watch: string
  fail: string
  watchLow: string
  failLow: string
  target: string
  side: 'UP' | 'DOWN' | 'BOTH'
  isShare: boolean
  isRobust: boolean
}

export interface TypedLimit {
  rules: TypedRule[]
  hysteresis: string
  boundaryIsPast: boolean
  /** That the numbers are typed in. */
  unit: string
  /** What the texts stand for that were written here, and shorter than the number: left as it is, a limit stays the same. */
  exact: ReadonlyMap<string, number>
}

export const kinds: RuleKind[] = [
  'ABOVE',
  'BELOW',
  'WITHIN',
  'OUTSIDE',
  'TARGET',
  'BASELINE',
  'RATE',
  'SISTERS',
  'SCATTER',
]

/** Kinds that name two ends of a range. */
export const isBand = (kind: RuleKind) => kind === 'WITHIN' || kind === 'OUTSIDE'

/** Kinds that allow deviations from a centre. */
export const isDeviation = (kind: RuleKind) =>
  kind === 'TARGET' || kind === 'BASELINE' || kind === 'RATE' || kind === 'SISTERS' || kind === 'SCATTER'

export function freshRule(kind: RuleKind): TypedRule {
  return {
    kind,
    watch: '',
    fail: '',
    watchLow: '',
    failLow: '',
    target: '',
    side: kind === 'TARGET' ? 'BOTH' : 'UP',
    isShare: true,
    isRobust: true,
  }
}

/** Digits of a boundary while it is typed; a converted one has more than anybody wants to read. */
const SHOWN_DIGITS = 6

function writtenText(value: number | null, exact: Map<string, number>): string {
  if (value === null) return ''
  const text = written(String(Number(value.toPrecision(SHOWN_DIGITS))))
  const isShort = Number(value.toPrecision(12)) === value
  if (isShort) return written(String(value))
  exact.set(text, value)
  return text
}

function typedRule(rule: RuleDraft, exact: Map<string, number>): TypedRule {
  const text = (value: number | null) => writtenText(value, exact)
  return {
    kind: rule.kind,
    watch: text(rule.watch),
    fail: text(rule.fail),
    watchLow: text(rule.watchLow),
    failLow: text(rule.failLow),
    target: text(rule.target),
    side: rule.side ?? 'UP',
    isShare: rule.isShare,
    isRobust: rule.isRobust,
  }
}

export function typedLimit(limit: LimitForm): TypedLimit {
  const exact = new Map<string, number>()
  return {
    rules: limit.rules.map((rule) => typedRule(rule, exact)),
    hysteresis: limit.hysteresis === 0 ? '' : writtenText(limit.hysteresis, exact),
    boundaryIsPast: limit.boundaryIsPast,
    unit: limit.unit ?? '',
    exact,
  }
}

export function freshLimit(kind: RuleKind, unit: string): TypedLimit {
  return { rules: [freshRule(kind)], hysteresis: '', boundaryIsPast: false, unit, exact: new Map() }
}

type Read = (text: string) => number | null

function draft(rule: TypedRule, read: Read): RuleDraft {
  const band = isBand(rule.kind)
  return {
    kind: rule.kind,
    watch: read(rule.watch),
    fail: read(rule.fail),
    watchLow: band ? read(rule.watchLow) : null,
    failLow: band ? read(rule.failLow) : null,
    target: rule.kind === 'TARGET' ? read(rule.target) : null,
    side: isDeviation(rule.kind) ? rule.side : null,
    isShare: rule.isShare,
    isRobust: rule.isRobust,
  }
}

/** What was typed as the server takes it; null while a rule says nothing yet. */
export function limitOf(typed: TypedLimit): LimitForm | null {
  const read: Read = (text) => typed.exact.get(text) ?? typedNumber(text)
  const rules = typed.rules.map((rule) => draft(rule, read))
  const says = (rule: RuleDraft) =>
    (rule.watch !== null || rule.fail !== null || rule.watchLow !== null || rule.failLow !== null) &&
    (rule.kind !== 'TARGET' || rule.target !== null)
  return rules.length > 0 && rules.every(says)
    ? {
        rules,
        hysteresis: read(typed.hysteresis) ?? 0,
        boundaryIsPast: typed.boundaryIsPast,
        unit: typed.unit === '' ? null : typed.unit,
      }
    : null
}
