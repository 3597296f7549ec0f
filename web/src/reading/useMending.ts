import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import type { Mended } from '../api/types'
import { say } from '../parts/notices'
import { t } from '../words/t'
import { useReadingChange } from './useReadingChange'

interface Act {
  /** Does it, on the server. */
  run: () => Promise<Mended>
  said: string
  /** When it is done. */
  then?: () => void
}

/** Does something to readings, says so, and offers to take it back. */
export function useMending() {
  const changed = useReadingChange(useQueryClient())
  const undo = useMutation({
    mutationFn: (id: string) => data(api.POST('/api/mendings/{id}/undo', { params: { path: { id } } })),
    onSuccess: () => say(t('visits:mend.undone')),
    onError: (error) => say(error.message),
    onSettled: changed,
  })
  return useMutation({
    mutationFn: ({ run }: Act) => run(),
    onSuccess: (mended, { said, then }) => {
      say(said, () => undo.mutate(mended.id))
      then?.()
    },
    onSettled: changed,
  })
}
