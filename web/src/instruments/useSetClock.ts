import { useMutation } from '@tanstack/react-query'
import { api, data, Problem } from '../api/client'
import type { JobView } from '../api/types'

interface Acts {
  /** What is read back before the clock is set. */
  onJob: (job: JobView) => void
  onSet?: () => void
  onSettled?: () => unknown
}

/**
 * Sets an instrument's clock. Readings that are dated by the wrong clock are read back first: afterwards nothing tells
 * how wrong they are.
 */
export function useSetClock(instrumentId: string, { onJob, onSet, onSettled }: Acts) {
  const path = { params: { path: { id: instrumentId } } }
  return useMutation({
    mutationFn: async () => {
      try {
        await data(api.POST('/api/instruments/{id}/clock', path))
        return null
      } catch (error) {
        if (!(error instanceof Problem && error.code === 'unread-readings')) throw error
        return data(api.POST('/api/instruments/{id}/read-back-and-set-clock', path))
      }
    },
    onSuccess: (job) => (job ? onJob(job) : onSet?.()),
    onSettled,
  })
}
