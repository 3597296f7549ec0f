import type { QueryClient } from '@tanstack/react-query'
import { changed } from '../api/subjects'

/** What has to be read again when a reading was placed, taken off or discarded. */
export function useReadingChange(client: QueryClient) {
  return () => changed(client, 'readings')
}
