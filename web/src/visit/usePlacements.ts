import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { say } from '../parts/notices'
import { useReadingChange } from './useReadingChange'

/** Where a reading goes; without a check it is loose again. */
export interface Placement {
  readingId: string
  checkId: string | null
}

interface Wanted {
  placements: Placement[]
  /** How it is taken back; none where it already takes something back. */
  back?: Placement[]
  said: string
}

/** Places readings, all or none, with one undo for all. */
export function usePlacements() {
  const changed = useReadingChange(useQueryClient())
  const place = useMutation({
    mutationFn: ({ placements }: Wanted) => data(api.POST('/api/placements', { body: { placements } })),
    onSuccess: (_, { back, said }) => say(said, back && (() => place.mutate({ placements: back, said }))),
    onError: (error) => say(error.message),
    onSettled: changed,
  })
  return place
}
