import { useState } from 'react'
import { api, data } from '../api/client'
import type { TrendPoint, Verdict } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { VerdictMark } from '../parts/VerdictMark'
import { useMending } from '../reading/useMending'
import { t } from '../words/t'
const choices: Verdict[] = ['PASS', 'WATCH', 'FAIL']

/** A person's own verdict on a reading, with why; the computed one stays beside it everywhere. */
export function OverruleDialog({
  reading,
  name,
  onClose,
}: {
  reading: Pick<TrendPoint, 'readingId' | 'verdict' | 'notes'>
  name: string
  onClose: () => void
}) {
  const mend = useMending()
  const computed = reading.notes?.overruled?.computed ?? reading.verdict
  const [verdict, setVerdict] = useState<Verdict>(choices.find((one) => one !== computed) ?? 'PASS')
  const [reason, setReason] = useState(reading.notes?.overruled?.because ?? '')
  const give = (wanted: Verdict | null) =>
    mend.mutate({
      run: () =>
        data(api.POST('/api/overrulings', { body: { readingIds: [reading.readingId], verdict: wanted, reason } })),
      said: wanted === null ? t('trend:overrule.taken') : t('trend:overrule.saved'),
      then: onClose,
    })
  return (
    <Dialog title={t('trend:overrule.title', { name })} open onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          give(verdict)
        }}
      >
        <p className="mb-3 flex items-center gap-2">
          {t('trend:overrule.computed')} <VerdictMark verdict={computed} />
        </p>
        <fieldset className="mb-3">
          <legend className="text-[12px] text-ink2">{t('trend:overrule.verdict')}</legend>
          {choices.map((one) => (
            <label key={one} className="mr-5 inline-flex min-h-[24px] items-center gap-1.5">
              <input type="radio" name="verdict" checked={verdict === one} onChange={() => setVerdict(one)} />
              <VerdictMark verdict={one} />
            </label>
          ))}
        </fieldset>
        <label className="mb-3 flex flex-col text-[12px] text-ink2">
          {t('trend:overrule.reason')}
          <input
            className="field text-[14px]"
            autoFocus
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
        </label>
        <Trouble error={mend.error} />
        <p className="flex gap-4">
          <Button kind="main" type="submit" disabled={!reason.trim() || mend.isPending}>
            {t('trend:overrule.save')}
          </Button>
          {reading.notes?.overruled && <Button onClick={() => give(null)}>{t('trend:overrule.back')}</Button>}
        </p>
      </form>
    </Dialog>
  )
}
