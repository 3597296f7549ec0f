import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { JobView } from '../api/types'
import { Button } from '../parts/Button'
import { JobPanel } from '../parts/JobPanel'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { useJob } from '../parts/useJob'
import { t } from '../words/t'

/** Says that earlier readings were calculated otherwise than the check is set now, and does them again where that is wanted. */
export function Recalculate({ checkId }: { checkId: string }) {
  const cache = useQueryClient()
  const comparable = useQuery(queries.comparable(checkId))
  const [started, setStarted] = useState<JobView | null>(null)
  const job = useJob(started, (ended) => {
    if (ended.state === 'DONE') {
      say(ended.sentence)
      setStarted(null)
    }
    void cache.invalidateQueries()
  })
  const calculate = useMutation({
    mutationFn: () => data(api.POST('/api/checks/{id}/recalculate', { params: { path: { id: checkId } } })),
    onSuccess: setStarted,
  })
  const count = comparable.data?.calculatedOtherwise ?? 0
  return (
    <>
      <Trouble error={calculate.error} />
      {job && <JobPanel job={job} onTryAgain={() => calculate.mutate()} />}
      {!job && count > 0 && (
        <p className="text-[13px] text-ink2">
          {t('signals:recalculateSay', { n: count })}{' '}
          <Button className="min-h-[24px]" disabled={calculate.isPending} onClick={() => calculate.mutate()}>
            {t('signals:recalculate')}
          </Button>
        </p>
      )}
    </>
  )
}
