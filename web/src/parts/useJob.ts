import { useEffect, useState } from 'react'
import type { JobView } from '../api/types'

/** Follows a job by the server's events until it ends. */
export function useJob(start: JobView | null, onEnd: (job: JobView) => void): JobView | null {
  const [job, setJob] = useState<JobView | null>(null)
  const id = start?.id
  useEffect(() => {
    if (!id) return
    const events = new EventSource(`/api/jobs/${id}/events`)
    events.addEventListener('job', (event) => {
      const next = JSON.parse((event as MessageEvent<string>).data) as JobView
      setJob(next)
      if (next.state !== 'RUNNING') {
        events.close()
        onEnd(next)
      }
    })
    return () => events.close()
    // one subscription for each job; onEnd changes with every render
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id])
  return job && job.id === id ? job : start
}
