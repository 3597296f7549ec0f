import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { queries } from '../api/queries'
import type { ConnectionLine } from '../api/types'

/** Who is there now. When an instrument comes back, what it holds is asked again. */
export function usePresence() {
  const client = useQueryClient()
  const presence = useQuery(queries.presence())
  const before = useRef<Map<string, string>>(new Map())
  useEffect(() => {
    const now = new Map((presence.data?.connections ?? []).map((line) => [line.instrumentId ?? '', line.state]))
    for (const [instrument, state] of now) {
      if (state === 'CONNECTED' && before.current.get(instrument) === 'SILENT')
        void client.invalidateQueries({ queryKey: ['connection', instrument] })
    }
    before.current = now
  }, [client, presence.data])
  const of = (instrumentId: string): ConnectionLine | undefined => {
    const lines = presence.data?.connections.filter((line) => line.instrumentId === instrumentId) ?? []
    return lines.find((line) => line.state !== 'SILENT') ?? lines[0]
  }
  return {
    of,
    candidates: presence.data?.candidates ?? [],
    error: presence.error,
    isKnown: presence.data !== undefined,
  }
}
