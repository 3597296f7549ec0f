import { useMutation, useQueryClient } from '@tanstack/react-query'
import { changed, type Subject } from '../api/subjects'
import { say } from './notices'

/**
 * Keeps a list as a whole, has what hangs on it read again, and says that it is kept.
 *
 * @param subject what the list is of
 */
export function useKeptLines(put: (lines: string[]) => Promise<unknown>, said: string, subject: Subject) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: put,
    onSuccess: async () => {
      await changed(client, subject)
      say(said)
    },
  })
}
