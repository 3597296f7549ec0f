import type { Verdict, VerdictNotes } from '../api/types'
import { day } from '../units/format'
import { t } from '../words/t'

const said = (verdict: Verdict) => t(`common:verdictInText.${verdict}`)

/** What is to be known beside a verdict, in words; blank where nothing is. */
export function notesSay(notes: VerdictNotes | null): string {
  if (!notes) return ''
  const { overruled, anew } = notes
  return [
    overruled &&
      t('trend:overrule.say', { computed: said(overruled.computed), by: overruled.by, because: overruled.because }),
    anew && t('trend:anew', { first: said(anew.first), on: day(anew.saidAt) }),
  ]
    .filter(Boolean)
    .join('; ')
}
