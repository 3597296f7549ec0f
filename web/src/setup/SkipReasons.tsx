import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { refresh } from '../api/refresh'
import { LineList } from '../parts/LineList'
import { say } from '../parts/notices'
import { words } from '../words/en'

/** What a technician chooses from who skips a stop. */
export function SkipReasons() {
  const client = useQueryClient()
  const reasons = useQuery(queries.skipReasons())
  const save = useMutation({
    mutationFn: (lines: string[]) => data(api.PUT('/api/routes/skip-reasons', { body: { reasons: lines } })),
    onSuccess: async () => {
      await refresh(client, 'skip-reasons')
      say(words.routes.skipReasonsSaved)
    },
  })
  return (
    <LineList
      title={words.routes.skipReasons}
      says={words.routes.skipReasonsSay}
      lines={reasons.data?.reasons ?? []}
      error={reasons.error ?? save.error}
      keep={save.mutateAsync}
    />
  )
}
