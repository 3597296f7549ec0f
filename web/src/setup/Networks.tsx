import { useQuery } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { LineList } from '../parts/LineList'
import { useKeptLines } from '../parts/useKeptLines'
import { t } from '../words/t'

/** Where on the network instruments may be. */
export function Networks() {
  const kept = useQuery(queries.networks())
  const save = useKeptLines(
    (lines) => data(api.PUT('/api/networks', { body: { networks: lines } })),
    t('setup:networksSaved'),
    'networks',
  )
  return (
    <LineList
      title={t('setup:networks')}
      says={t('setup:networksSay')}
      lines={kept.data?.networks ?? []}
      error={kept.error ?? save.error}
      keep={save.mutateAsync}
    />
  )
}
