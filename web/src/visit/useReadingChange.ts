import type { QueryClient } from '@tanstack/react-query'

/** What has to be read again when a reading was placed, taken off or discarded. */
export function useReadingChange(client: QueryClient) {
  return () => Promise.all(['visit', 'visits', 'overview', 'sheet', 'trend', 'today', 'preview'].map((key) => client.invalidateQueries({ queryKey: [key] })))
}
