import { api, data } from '../api/client'
import { say } from '../parts/notices'
import { useCorrection } from '../reading/useCorrection'

/** Where a reading goes; without a check it is loose again. */
export interface Placement {
  readingId: string
  checkId: string | null
}

/** Places readings, all or none, with one undo for all. */
export function usePlacements() {
  const correction = useCorrection()
  return {
    isPending: correction.isPending,
    place: (placements: Placement[], said: string) =>
      correction.mutate(
        { run: () => data(api.POST('/api/placements', { body: { placements } })), said },
        { onError: (error) => say(error.message) },
      ),
  }
}
