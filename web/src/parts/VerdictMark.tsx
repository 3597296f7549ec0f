import type { Verdict, VerdictNotes } from '../api/types'
import { useTimes } from '../units/useTimes'
import { notesSay } from './notesSay'
import { t } from '../words/t'

export const verdictColour: Record<Verdict, string> = {
  PASS: 'text-pass',
  WATCH: 'text-watch',
  FAIL: 'text-fail',
  NOT_JUDGED: 'text-unjudged',
}

/** The shape of a verdict: open ring, half-filled lozenge, downward wedge, dashed ring. */
export function VerdictShape({ verdict, size = 13 }: { verdict: Verdict; size?: number }) {
  const common = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.8 }
  return (
    <svg
      aria-hidden="true"
      width={size}
      height={size}
      viewBox="0 0 14 14"
      className={`inline-block shrink-0 ${verdictColour[verdict]}`}
    >
      {verdict === 'PASS' && <circle cx="7" cy="7" r="5" {...common} />}
      {verdict === 'WATCH' && (
        <>
          <path d="M7 0.8 13.2 7 7 13.2 0.8 7z" {...common} strokeWidth="1.4" />
          <path d="M7 0.8V13.2L0.8 7z" fill="currentColor" />
        </>
      )}
      {verdict === 'FAIL' && <path d="M0.8 2h12.4L7 13z" fill="currentColor" />}
      {verdict === 'NOT_JUDGED' && (
        <circle cx="7" cy="7" r="5" {...common} strokeWidth="1.5" strokeDasharray="2.6 2.6" />
      )}
    </svg>
  )
}

/** Shape and word, so that nobody depends on colour; a person's own verdict says so, and what the computed one is. */
export function VerdictMark({
  verdict,
  reason,
  notes,
}: {
  verdict: Verdict
  reason?: string
  notes?: VerdictNotes | null
}) {
  const times = useTimes()
  const said = [reason, notesSay(notes ?? null, times)].filter(Boolean).join('; ')
  return (
    <span
      className={`inline-flex items-center gap-1.5 whitespace-nowrap ${verdict === 'NOT_JUDGED' ? '' : 'font-semibold'} ${verdictColour[verdict]}`}
      title={said || undefined}
    >
      <VerdictShape verdict={verdict} />
      {t(`common:verdict.${verdict}`)}
      {notes?.overridden && (
        <span className="inline-flex items-center gap-1 text-[12px] font-normal text-ink2">
          {t('trend:override.short')}, <VerdictShape verdict={notes.overridden.computed} size={10} />
          <s>{t(`common:verdictInText.${notes.overridden.computed}`)}</s>
        </span>
      )}
    </span>
  )
}
