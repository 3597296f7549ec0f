import { useQuery } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { LineList } from '../parts/LineList'
import { useKeptLines } from '../parts/useKeptLines'
import { t } from '../words/t'

/** Whose signature on firmware counts. */
export function MakersKeys() {
  const kept = useQuery(queries.makersKeys())
  const save = useKeptLines(
    (lines) => data(api.PUT('/api/makers-keys', { body: { keys: lines } })),
    t('setup:makersKeysSaved'),
    'makersKeys',
  )
  return (
    <LineList
      title={t('setup:makersKeys')}
      says={t('setup:makersKeysSay')}
      lines={kept.data?.keys ?? []}
      error={kept.error ?? save.error}
      keep={save.mutateAsync}
    />
  )
}
