import { QueryClient } from '@tanstack/react-query'
import { Problem, whenSignedOut } from './client'

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: (count, error) => count < 2 && !(error instanceof Problem && error.status > 0),
    },
  },
})

whenSignedOut(() => void queryClient.invalidateQueries({ queryKey: ['me'] }))
