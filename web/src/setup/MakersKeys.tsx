import { useQuery } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { LineList } from '../parts/LineList'
import { useKeptLines } from '../parts/useKeptLines'
import { words } from '../words/en'

/** Whose signature on firmware counts. */
export function MakersKeys() {
  const kept = useQuery(queries.makersKeys())
  const save = useKeptLines(
    (lines) => data(api.PUT('/api/makers-keys', { body: { keys: lines } })),
    words.setup.makersKeysSaved,
    'makersKeys',
  )
  return (
    <LineList
      title={words.setup.makersKeys}
      says={words.setup.makersKeysSay}
      lines={kept.data?.keys ?? []}
      error={kept.error ?? save.error}
      keep={save.mutateAsync}
    />
  )
}
