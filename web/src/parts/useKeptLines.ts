import { useMutation, useQueryClient } from '@tanstack/react-query'
import { refresh } from '../api/refresh'
import { say } from './notices'

/**
 * Keeps a list as a whole, has what hangs on it read again, and says that it is kept.
 *
 * @param concerned first parts of the queries that hang on it
 */
export function useKeptLines(put: (lines: string[]) => Promise<unknown>, said: string, ...concerned: string[]) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: put,
    onSuccess: async () => {
      await refresh(client, ...concerned)
      say(said)
    },
  })
}
