import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { RouteView } from '../api/types'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { words } from '../words/en'

/** Takes a route off the list; what was measured along it stays, and it can be brought back. */
export function RemoveRoute({ route }: { route: RouteView }) {
  const client = useQueryClient()
  const mayEdit = useMay().edit
  const path = { params: { path: { id: route.id } } }
  const again = () => changed(client, 'routes')
  const bringBack = useMutation({
    mutationFn: () => data(api.POST('/api/routes/{id}/bring-back', path)),
    onSuccess: again,
  })
  const remove = useMutation({
    mutationFn: () => data(api.DELETE('/api/routes/{id}', path)),
    onSuccess: async () => {
      await again()
      say(words.routes.removed(route.name), () => bringBack.mutate())
    },
    onError: (error) => say(error.message),
  })
  if (!mayEdit) return null
  return (
    <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
      {words.routes.remove}
    </Button>
  )
}
