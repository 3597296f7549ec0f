import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { refresh } from '../api/refresh'
import { LineList } from '../parts/LineList'
import { say } from '../parts/notices'
import { words } from '../words/en'

/** Where on the network instruments may be. */
export function Networks() {
  const client = useQueryClient()
  const networks = useQuery(queries.networks())
  const save = useMutation({
    mutationFn: (lines: string[]) => data(api.PUT('/api/networks', { body: { networks: lines } })),
    onSuccess: async () => {
      await refresh(client, 'networks')
      say(words.setup.networksSaved)
    },
  })
  return (
    <LineList
      title={words.setup.networks}
      says={words.setup.networksSay}
      lines={networks.data?.networks ?? []}
      error={networks.error ?? save.error}
      keep={save.mutateAsync}
    />
  )
}
