import type { Verdict, VerdictNotes } from '../api/types'
import type { Times } from '../units/times'
import { t } from '../words/t'

const said = (verdict: Verdict) => t(`common:verdictInText.${verdict}`)

/** What is to be known beside a verdict, in words; blank where nothing is. */
export function notesSay(notes: VerdictNotes | null, { day }: Times): string {
  if (!notes) return ''
  const { overridden, rejudged } = notes
  return [
    overridden &&
      t('trend:override.say', { computed: said(overridden.computed), by: overridden.by, because: overridden.because }),
    rejudged && t('trend:rejudged', { first: said(rejudged.first), on: day(rejudged.saidAt) }),
  ]
    .filter(Boolean)
    .join('; ')
}
