import type { Go } from '../api/types'
import { VerdictShape, verdictColour } from '../parts/VerdictMark'
import type { Verdict } from '../api/types'
import { t } from '../words/t'

export const verdictOf: Record<Go, Verdict> = { GO: 'PASS', NO_GO: 'FAIL', NOT_JUDGED: 'NOT_JUDGED' }

/** Shape and word; nothing where there is no limit. */
export function GoMark({ go, size = 13 }: { go: Go; size?: number }) {
  if (go === 'NOT_JUDGED') return null
  return (
    <span className={`inline-flex items-center gap-2 font-semibold whitespace-nowrap ${verdictColour[verdictOf[go]]}`}>
      <VerdictShape verdict={verdictOf[go]} size={size} />
      {t(`live:go.${go}`)}
    </span>
  )
}
