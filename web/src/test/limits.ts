import type { LimitForm, RuleDraft } from '../api/types'

/** A rule that says nothing yet but what is given. */
export const rule = (kind: RuleDraft['kind'], more: Partial<RuleDraft> = {}): RuleDraft => ({
  kind,
  watch: null,
  fail: null,
  watchLow: null,
  failLow: null,
  target: null,
  side: null,
  isShare: false,
  isRobust: false,
  ...more,
})

/** A limit of these rules. */
export const limitOf = (unit: string, ...rules: RuleDraft[]): LimitForm => ({
  rules,
  hysteresis: 0,
  boundaryIsPast: false,
  unit,
})
