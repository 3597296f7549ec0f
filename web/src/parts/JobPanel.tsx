import { api } from '../api/client'
import type { JobView } from '../api/types'
import { Button } from './Button'
import { bytes } from '../units/format'
import { count } from '../units/locale'
import { t } from '../words/t'

/** Work that keeps what it has done until somebody stops it. */
const STOPPABLE = ['read back', 'recalculate', 'import']
const COUNTED = ['recalculate', 'import']

/** What runs, how far it is, and how to stop it; then how it ended. */
export function JobPanel({ job, onTryAgain }: { job: JobView; onTryAgain: () => void }) {
  const running = job.state === 'RUNNING'
  const amount = (n: number) => (COUNTED.includes(job.kind) ? count(n) : bytes(n))
  const mayStop = STOPPABLE.includes(job.kind)
  const share = job.total > 0 ? (100 * job.done) / job.total : 0
  return (
    <section aria-live="polite" aria-label={job.title} className="mt-4 border border-rule2 bg-sheet px-3.5 py-3">
      <div className="flex justify-between gap-4">
        <span className="font-semibold">{job.title}</span>
        {running && job.total > 0 && (
          <span className="text-ink2">{t('common:amountOf', { done: amount(job.done), all: amount(job.total) })}</span>
        )}
      </div>
      {running && (
        <div
          role="progressbar"
          aria-label={job.title}
          aria-valuenow={Math.round(share)}
          aria-valuemin={0}
          aria-valuemax={100}
          className="my-2.5 h-1.5 bg-paper3"
        >
          <div className="h-full bg-plum" style={{ width: `${share}%` }} />
        </div>
      )}
      <div className="flex justify-between gap-4">
        <span className={job.state === 'FAILED' ? 'text-fail' : job.state === 'DONE' ? '' : 'text-ink2'}>
          {job.sentence}
          {running && job.kind === 'read back' && ` ${t('instruments:breaks')}`}
        </span>
        {running && mayStop && (
          <Button onClick={() => void api.POST('/api/jobs/{id}/stop', { params: { path: { id: job.id } } })}>
            {t('instruments:stop')}
          </Button>
        )}
        {(job.state === 'FAILED' || job.state === 'STOPPED') && mayStop && (
          <Button onClick={onTryAgain}>{t('common:tryAgain')}</Button>
        )}
      </div>
    </section>
  )
}
