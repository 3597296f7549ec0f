import { useState } from 'react'
import { api, data } from '../api/client'
import type { TrendPoint, Verdict } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { VerdictMark } from '../parts/VerdictMark'
import { useCorrection } from '../reading/useCorrection'
import { t } from '../words/t'
const choices: Verdict[] = ['PASS', 'WATCH', 'FAIL']

/** A person's own verdict on a reading, with why; the computed one stays beside it everywhere. */
export function OverrideDialog({
  reading,
  name,
  onClose,
}: {
  reading: Pick<TrendPoint, 'readingId' | 'verdict' | 'notes'>
  name: string
  onClose: () => void
}) {
  const correct = useCorrection()
  const computed = reading.notes?.overridden?.computed ?? reading.verdict
  const [verdict, setVerdict] = useState<Verdict>(choices.find((one) => one !== computed) ?? 'PASS')
  const [reason, setReason] = useState(reading.notes?.overridden?.because ?? '')
  const give = (wanted: Verdict | null) =>
    correct.mutate({
      run: () =>
        data(api.POST('/api/overrides', { body: { readingIds: [reading.readingId], verdict: wanted, reason } })),
      said: wanted === null ? t('trend:override.taken') : t('trend:override.saved'),
      then: onClose,
    })
  return (
    <Dialog title={t('trend:override.title', { name })} open onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          give(verdict)
        }}
      >
        <p className="mb-3 flex items-center gap-2">
          {t('trend:override.computed')} <VerdictMark verdict={computed} />
        </p>
        <fieldset className="mb-3">
          <legend className="text-[12px] text-ink2">{t('trend:override.verdict')}</legend>
          {choices.map((one) => (
            <label key={one} className="mr-5 inline-flex min-h-[24px] items-center gap-1.5">
              <input type="radio" name="verdict" checked={verdict === one} onChange={() => setVerdict(one)} />
              <VerdictMark verdict={one} />
            </label>
          ))}
        </fieldset>
        <label className="mb-3 flex flex-col text-[12px] text-ink2">
          {t('trend:override.reason')}
          <input
            className="field text-[14px]"
            autoFocus
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
        </label>
        <Trouble error={correct.error} />
        <p className="flex gap-4">
          <Button kind="main" type="submit" disabled={!reason.trim() || correct.isPending}>
            {t('trend:override.save')}
          </Button>
          {reading.notes?.overridden && <Button onClick={() => give(null)}>{t('trend:override.back')}</Button>}
        </p>
      </form>
    </Dialog>
  )
}
