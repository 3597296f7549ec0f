import { QueryClient } from '@tanstack/react-query'
import { renderHook } from '@testing-library/react'
import { expect, it } from 'vitest'
import { useReadingChange } from './useReadingChange'

it('has curves drawn again as the check is set where a reading was placed', async () => {
  const client = new QueryClient()
  client.setQueryData(['curves', 'r1', {}], { curves: [] })
  client.setQueryData(['pictures', 'n1'], [])
  await renderHook(() => useReadingChange(client)).result.current()
  expect(client.getQueryState(['curves', 'r1', {}])?.isInvalidated).toBe(true)
  expect(client.getQueryState(['pictures', 'n1'])?.isInvalidated).toBe(false)
})
