import type { OutlineFilter } from '../api/types'

/** What can be chosen by how checks stand; one at a time. */
export type Show = 'all' | 'FAIL' | 'WATCH' | 'NOT_JUDGED' | 'never' | 'due'

export const shows: Show[] = ['all', 'FAIL', 'WATCH', 'NOT_JUDGED', 'never', 'due']

/** What narrows the plant further; each may be chosen beside the others. */
export const narrowings = ['within', 'technique', 'assetClass', 'criticality'] as const
export type Narrowing = (typeof narrowings)[number]

/** What somebody looks for in the plant. */
export interface Looking extends Partial<Record<Narrowing, string>> {
  text: string
  show: Show
}

export const everything: Looking = { text: '', show: 'all' }

export const noFilter: OutlineFilter = {
  text: null,
  verdict: null,
  neverMeasured: null,
  due: null,
  technique: null,
  assetClass: null,
  criticality: null,
  within: null,
}

export function isNarrowed(looking: Looking): boolean {
  return narrowings.some((key) => looking[key])
}

export function filterOf(looking: Looking): OutlineFilter {
  const { text, show } = looking
  return {
    text: text.trim() || null,
    verdict: show === 'all' || show === 'never' || show === 'due' ? null : show,
    neverMeasured: show === 'never' ? true : null,
    due: show === 'due' ? true : null,
    technique: looking.technique ?? null,
    assetClass: looking.assetClass ?? null,
    criticality: looking.criticality ?? null,
    within: looking.within ?? null,
  }
}
