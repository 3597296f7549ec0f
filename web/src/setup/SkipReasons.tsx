import { useQuery } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { LineList } from '../parts/LineList'
import { useKeptLines } from '../parts/useKeptLines'
import { t } from '../words/t'

/** What a technician chooses from who skips a stop. */
export function SkipReasons() {
  const kept = useQuery(queries.skipReasons())
  const save = useKeptLines(
    (lines) => data(api.PUT('/api/routes/skip-reasons', { body: { reasons: lines } })),
    t('routes:skipReasonsSaved'),
    'skipReasons',
  )
  return (
    <LineList
      title={t('routes:skipReasons')}
      says={t('routes:skipReasonsSay')}
      lines={kept.data?.reasons ?? []}
      error={kept.error ?? save.error}
      keep={save.mutateAsync}
    />
  )
}
