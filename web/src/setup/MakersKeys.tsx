import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { refresh } from '../api/refresh'
import { LineList } from '../parts/LineList'
import { say } from '../parts/notices'
import { words } from '../words/en'

/** Whose signature on firmware counts. */
export function MakersKeys() {
  const client = useQueryClient()
  const kept = useQuery(queries.makersKeys())
  const save = useMutation({
    mutationFn: (keys: string[]) => data(api.PUT('/api/makers-keys', { body: { keys } })),
    onSuccess: async () => {
      await refresh(client, 'makers-keys', 'firmware')
      say(words.setup.makersKeysSaved)
    },
  })
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
