import { useQueryClient } from '@tanstack/react-query'
import { api } from '../api/client'
import { changed } from '../api/subjects'
import { say } from '../parts/notices'

/** Says that limits were set, has everything judged again, and offers to take it back. */
export function useLimitSaid() {
  const client = useQueryClient()
  const again = () => changed(client, 'limits')
  return async (sentence: string, changeId: string | null) => {
    await again()
    say(
      sentence,
      changeId === null
        ? undefined
        : () => void api.POST('/api/plant/changes/{id}/undo', { params: { path: { id: changeId } } }).then(again),
    )
  }
}
