import { api, data } from '../api/client'
import { say } from '../parts/notices'
import { useMending } from '../reading/useMending'

/** Where a reading goes; without a check it is loose again. */
export interface Placement {
  readingId: string
  checkId: string | null
}

/** Places readings, all or none, with one undo for all. */
export function usePlacements() {
  const mending = useMending()
  return {
    isPending: mending.isPending,
    place: (placements: Placement[], said: string) =>
      mending.mutate(
        { run: () => data(api.POST('/api/placements', { body: { placements } })), said },
        { onError: (error) => say(error.message) },
      ),
  }
}
