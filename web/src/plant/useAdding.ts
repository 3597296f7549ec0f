import { useMutationState } from '@tanstack/react-query'

/** Key of the mutations that add a row. */
export const ADDING = ['plant', 'add']

/** Ids of rows that stand in the outline but are not stored yet. */
export function useAdding(): string[] {
  return useMutationState({
    filters: { mutationKey: ADDING, status: 'pending' },
    select: (mutation) => (mutation.state.variables as { id: string } | undefined)?.id ?? '',
  })
}
