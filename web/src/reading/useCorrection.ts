import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import type { Corrected } from '../api/types'
import { say } from '../parts/notices'
import { t } from '../words/t'
import { useReadingChange } from './useReadingChange'

interface Act {
  /** Does it, on the server. */
  run: () => Promise<Corrected>
  said: string
  /** When it is done. */
  then?: () => void
}

/** Does something to readings, says so, and offers to take it back. */
export function useCorrection() {
  const changed = useReadingChange(useQueryClient())
  const undo = useMutation({
    mutationFn: (id: string) => data(api.POST('/api/corrections/{id}/undo', { params: { path: { id } } })),
    onSuccess: () => say(t('visits:correct.undone')),
    onError: (error) => say(error.message),
    onSettled: changed,
  })
  return useMutation({
    mutationFn: ({ run }: Act) => run(),
    onSuccess: (corrected, { said, then }) => {
      say(said, () => undo.mutate(corrected.id))
      then?.()
    },
    onSettled: changed,
  })
}
