import { useQueryClient } from '@tanstack/react-query'
import { api } from '../api/client'
import { refresh } from '../api/refresh'
import { say } from '../parts/notices'

/** Everything that is read anew once a limit changed. */
const concerned = ['limits', 'sheet', 'outline', 'trend', 'visit', 'today', 'preview']

/** Says that limits were set, has everything judged anew, and offers to take it back. */
export function useLimitSaid() {
  const client = useQueryClient()
  const again = () => refresh(client, ...concerned)
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
