import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { RouteView } from '../api/types'
import { say } from '../parts/notices'
import { t } from '../words/t'

/** Splits a route in two; asked twice, it is split once. */
export function useSplit(route: RouteView) {
  const client = useQueryClient()
  const [newId] = useState(() => crypto.randomUUID())
  return useMutation({
    mutationFn: (firstChecks: string[]) =>
      data(
        api.POST('/api/routes/{id}/split', {
          params: { path: { id: route.id } },
          body: { firstChecks, newId, version: route.version },
        }),
      ),
    onSuccess: async (halves) => {
      await changed(client, 'routes')
      say(t('routes:split', { first: halves.first.name, second: halves.second.name }))
    },
  })
}
