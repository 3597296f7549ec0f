import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import type { Finding } from '../api/types'
import { Button } from '../parts/Button'
import { t } from '../words/t'

interface Props {
  readingId: string
  chosen: string | null
  onChoose: (finding: Finding | null) => void
}

/** What a reading shows beside its numbers; each is seen in its curve by one click. Never a verdict. */
export function FindingList({ readingId, chosen, onChoose }: Props) {
  const insight = useQuery(queries.insight(readingId))
  const findings = insight.data?.findings ?? []
  if (findings.length === 0) return null
  return (
    <ul aria-label={t('trend:findings')} className="text-[13px]">
      {findings.map((finding) => (
        <li key={finding.code}>
          <span className="text-ink2">{t('trend:shows')}</span> {finding.sentence}{' '}
          <Button
            className={`min-h-[24px] ${chosen === finding.code ? 'underline' : ''}`}
            aria-pressed={chosen === finding.code}
            onClick={() => onChoose(chosen === finding.code ? null : finding)}
          >
            {t('trend:showMe')}
          </Button>
        </li>
      ))}
    </ul>
  )
}
