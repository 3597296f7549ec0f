import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { RouteView } from '../api/types'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { t } from '../words/t'

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
      say(t('routes:removed', { name: route.name }), () => bringBack.mutate())
    },
    onError: (error) => say(error.message),
  })
  if (!mayEdit) return null
  return (
    <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
      {t('routes:remove')}
    </Button>
  )
}
