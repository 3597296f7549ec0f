import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'

/** What whoever is signed in may do; the server decides, this only spares people the refusal. */
export function useMay() {
  const role = useQuery(queries.me()).data?.role
  return {
    edit: role !== undefined && role !== 'VIEWER',
    sign: role === 'REVIEWER' || role === 'ADMINISTRATOR',
    manage: role === 'ADMINISTRATOR',
  }
}
