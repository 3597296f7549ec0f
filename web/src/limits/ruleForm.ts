import type { LimitForm, RuleDraft, RuleKind } from '../api/types'
import { typedNumber } from '../units/format'

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

const text = (value: number | null) => value?.toString() ?? ''

function typedRule(rule: RuleDraft): TypedRule {
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
  return {
    rules: limit.rules.map(typedRule),
    hysteresis: limit.hysteresis === 0 ? '' : String(limit.hysteresis),
    boundaryIsPast: limit.boundaryIsPast,
  }
}

export function freshLimit(kind: RuleKind): TypedLimit {
  return { rules: [freshRule(kind)], hysteresis: '', boundaryIsPast: false }
}

function draft(rule: TypedRule): RuleDraft {
  const band = isBand(rule.kind)
  return {
    kind: rule.kind,
    watch: typedNumber(rule.watch),
    fail: typedNumber(rule.fail),
    watchLow: band ? typedNumber(rule.watchLow) : null,
    failLow: band ? typedNumber(rule.failLow) : null,
    target: rule.kind === 'TARGET' ? typedNumber(rule.target) : null,
    side: isDeviation(rule.kind) ? rule.side : null,
    isShare: rule.isShare,
    isRobust: rule.isRobust,
  }
}

/** What was typed as the server takes it; null while a rule says nothing yet. */
export function limitOf(typed: TypedLimit): LimitForm | null {
  const rules = typed.rules.map(draft)
  const says = (rule: RuleDraft) =>
    (rule.watch !== null || rule.fail !== null || rule.watchLow !== null || rule.failLow !== null) &&
    (rule.kind !== 'TARGET' || rule.target !== null)
  return rules.length > 0 && rules.every(says)
    ? { rules, hysteresis: typedNumber(typed.hysteresis) ?? 0, boundaryIsPast: typed.boundaryIsPast }
    : null
}
