import type { QueryClient } from '@tanstack/react-query'

/** Has everything read again whose key begins with one of these. */
export function refresh(client: QueryClient, ...keys: string[]): Promise<unknown> {
  return Promise.all(keys.map((key) => client.invalidateQueries({ queryKey: [key] })))
}
