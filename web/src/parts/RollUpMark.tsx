import type { Verdict } from '../api/types'
import { t } from '../words/t'
import { VerdictMark } from './VerdictMark'

/** Verdicts counted. */
export interface Counted {
  worst: Verdict
  pass: number
  notJudged: number
}

/** Whether what passed is only a part: nothing is watch or fail, and some was not judged. */
export const isPartly = ({ worst, notJudged }: Counted) => worst === 'PASS' && notJudged > 0

const RADIUS = 5
const ROUND = 2 * Math.PI * RADIUS

/** A ring that is closed as far as was judged: neither the ring of a pass nor the dashed one of nothing judged. */
export function PartlyShape({ pass, notJudged, size = 13 }: { pass: number; notJudged: number; size?: number }) {
  // Whatever the share, both parts are seen.
  const share = Math.min(0.85, Math.max(0.12, pass / (pass + notJudged)))
  return (
    <svg aria-hidden="true" width={size} height={size} viewBox="0 0 14 14" className="inline-block shrink-0">
      <circle
        cx="7"
        cy="7"
        r={RADIUS}
        fill="none"
        className="stroke-unjudged"
        strokeWidth="1.2"
        strokeDasharray="1.6 2.4"
      />
      <circle
        cx="7"
        cy="7"
        r={RADIUS}
        fill="none"
        className="stroke-pass"
        strokeWidth="2"
        strokeDasharray={`${share * ROUND} ${ROUND}`}
        transform="rotate(-90 7 7)"
      />
    </svg>
  )
}

/** How many things stand together: the worst verdict, and what was not judged is never hidden by a pass. */
export function RollUpMark({ counted }: { counted: Counted }) {
  const { worst, pass, notJudged } = counted
  if (isPartly(counted)) {
    return (
      <span
        className="inline-flex items-center gap-1.5 whitespace-nowrap text-ink2"
        title={t('plant:notJudgedBeside', { n: notJudged })}
      >
        <PartlyShape pass={pass} notJudged={notJudged} />
        {t('plant:partly', { pass, all: pass + notJudged })}
      </span>
    )
  }
  return (
    <>
      <VerdictMark verdict={worst} />
      {worst !== 'NOT_JUDGED' && notJudged > 0 && (
        <span className="text-[12px] text-ink3" title={t('plant:notJudgedBeside', { n: notJudged })}>
          +{notJudged} ◌
        </span>
      )}
    </>
  )
}
