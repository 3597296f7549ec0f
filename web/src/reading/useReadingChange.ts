import type { QueryClient } from '@tanstack/react-query'
import { refresh } from '../api/refresh'

/** What has to be read again when a reading was placed, taken off or discarded. */
export function useReadingChange(client: QueryClient) {
  return () =>
    refresh(client, 'curves', 'visit', 'visits', 'outline', 'sheet', 'trend', 'today', 'preview', 'certificates')
}
