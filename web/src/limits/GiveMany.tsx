import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { LimitLine } from '../api/types'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { PreviewOutcome } from './HistoryLook'
import { useLimitSaid } from './useLimitSaid'

type Source = 'STANDARD' | 'HISTORY'

/** One action for all checks below that have no limit yet: each gets its own, after what each would get was shown. */
export function GiveMany({ nodeId, line }: { nodeId: string; line: LimitLine }) {
  const [source, setSource] = useState<Source | null>(null)
  return (
    <div className="mb-3">
      <p className="flex gap-4">
        {(['STANDARD', 'HISTORY'] as const).map((one) => (
          <Button
            key={one}
            kind="second"
            aria-expanded={source === one}
            onClick={() => setSource(source === one ? null : one)}
          >
            {t(`limits:takeMany.${one}`)}
          </Button>
        ))}
      </p>
      {source && <Proposed key={source} nodeId={nodeId} line={line} source={source} onClose={() => setSource(null)} />}
    </div>
  )
}

function Proposed({
  nodeId,
  line,
  source,
  onClose,
}: {
  nodeId: string
  line: LimitLine
  source: Source
  onClose: () => void
}) {
  const said = useLimitSaid()
  const [isFromNow, setFromNow] = useState(false)
  const [openedAt] = useState(() => new Date().toISOString())
  const preview = useQuery(
    queries.proposalsPreview(nodeId, line.technique, line.resultId, source, isFromNow ? openedAt : null),
  )
  const give = useMutation({
    mutationFn: () =>
      data(
        api.POST('/api/nodes/{nodeId}/limits/{technique}/{resultId}/proposals', {
          params: { path: { nodeId, technique: line.technique, resultId: line.resultId } },
          body: { source, from: isFromNow ? new Date().toISOString() : null },
        }),
      ),
    onSuccess: async (taken) => {
      await said(t('limits:taken', { n: taken.checks, without: taken.without }), taken.changeId)
      onClose()
    },
  })
  const count = (preview.data?.checks ?? 0) + (preview.data?.left ?? 0)
  return (
    <section aria-label={t(`limits:takeMany.${source}`)} className="mt-2 border-y border-rule py-3" aria-live="polite">
      <Trouble error={preview.error ?? give.error} />
      {preview.isLoading && <p className="text-ink2">{t('limits:previewing')}</p>}
      {preview.data && count === 0 && <p>{t('limits:withoutProposal', { n: preview.data.without })}</p>}
      {preview.data && count > 0 && <PreviewOutcome preview={preview.data} />}
      <fieldset className="my-2">
        <legend className="text-[12px] text-ink2">{t('limits:since')}</legend>
        {[false, true].map((choice) => (
          <label key={String(choice)} className="mr-4 inline-flex min-h-[24px] items-center gap-1.5">
            <input type="radio" name="givenSince" checked={isFromNow === choice} onChange={() => setFromNow(choice)} />
            {choice ? t('limits:sinceNow') : t('limits:sinceEver')}
          </label>
        ))}
      </fieldset>
      <p className="flex gap-4">
        <Button kind="main" disabled={count === 0 || give.isPending} onClick={() => give.mutate()}>
          {t('limits:setMany', { n: count })}
        </Button>
        <Button onClick={onClose}>{t('common:cancel')}</Button>
      </p>
    </section>
  )
}
