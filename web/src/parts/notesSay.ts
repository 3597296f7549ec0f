import type { VerdictNotes } from '../api/types'
import { day } from '../units/format'
import { words } from '../words/en'

const said = (verdict: keyof typeof words.verdict) => words.verdict[verdict].toLowerCase()

/** What is to be known beside a verdict, in words; blank where nothing is. */
export function notesSay(notes: VerdictNotes | null): string {
  if (!notes) return ''
  const { overruled, anew } = notes
  return [
    overruled && words.trend.overrule.say(said(overruled.computed), overruled.by, overruled.because),
    anew && words.trend.anew(said(anew.first), day(anew.saidAt)),
  ]
    .filter(Boolean)
    .join('; ')
}
