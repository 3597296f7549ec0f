import { useEffect, useState } from 'react'
import { liveChannel, liveSample } from '../api/shown'
import type { LiveKind, LiveSample, LiveUpdate } from '../api/types'

/** Ten minutes at two a second. */
const REMEMBERED = 1_200

export interface Live {
  update: LiveUpdate | null
  samples: LiveSample[]
}

/** Follows a source by the server's events. The browser comes back by itself when the stream breaks. */
export function useLive(kind: LiveKind, id: string): Live {
  const [live, setLive] = useState<Live>({ update: null, samples: [] })
  useEffect(() => {
    const events = new EventSource(`/api/live/${kind}/${id}/stream`)
    events.addEventListener('live', (event) => {
      const told = JSON.parse((event as MessageEvent<string>).data) as LiveUpdate
      const update = {
        ...told,
        channels: told.channels.map(liveChannel),
        samples: told.samples.map((sample) => liveSample(sample, told.channels)),
      }
      setLive((before) => ({ update, samples: joined(before, update) }))
    })
    events.onerror = () =>
      setLive((before) => (before.update ? { ...before, update: { ...before.update, isConnected: false } } : before))
    return () => events.close()
  }, [kind, id])
  return live
}

/** After a break the server tells all it remembers once more; and other channels make the former samples meaningless. */
function joined(before: Live, update: LiveUpdate): LiveSample[] {
  const isSame = before.update !== null && before.update.channels.length === update.channels.length
  const known = isSame ? before.samples : []
  const last = known.at(-1)?.at ?? ''
  return [...known, ...update.samples.filter((sample) => sample.at > last)].slice(-REMEMBERED)
}
