import { useQuery } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { LineList } from '../parts/LineList'
import { useKeptLines } from '../parts/useKeptLines'
import { words } from '../words/en'

/** What a technician chooses from who skips a stop. */
export function SkipReasons() {
  const kept = useQuery(queries.skipReasons())
  const save = useKeptLines(
    (lines) => data(api.PUT('/api/routes/skip-reasons', { body: { reasons: lines } })),
    words.routes.skipReasonsSaved,
    'skipReasons',
  )
  return (
    <LineList
      title={words.routes.skipReasons}
      says={words.routes.skipReasonsSay}
      lines={kept.data?.reasons ?? []}
      error={kept.error ?? save.error}
      keep={save.mutateAsync}
    />
  )
}
