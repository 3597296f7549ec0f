import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { EventKind } from '../api/types'
import { Button } from '../parts/Button'
import { MomentField } from '../parts/DateField'
import { Dialog } from '../parts/Dialog'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
const kinds: EventKind[] = ['REPAIR', 'SENSOR', 'BASELINE', 'NOTE']
/** What follows from an event: where a baseline starts again, all is judged otherwise. */

/** Notes what happened to a thing in the plant. */
export function EventDialog({
  nodeId,
  name,
  at,
  onClose,
}: {
  nodeId: string
  name: string
  at: string | undefined
  onClose: () => void
}) {
  const client = useQueryClient()
  const [id] = useState(() => crypto.randomUUID())
  const [kind, setKind] = useState<EventKind>('REPAIR')
  const [when, setWhen] = useState(() => at ?? new Date().toISOString())
  const [said, setSaid] = useState('')
  const [starts, setStarts] = useState(true)
  const [until, setUntil] = useState('')
  const note = useMutation({
    mutationFn: () =>
      data(
        api.PUT('/api/nodes/{id}/events/{eventId}', {
          params: { path: { id: nodeId, eventId: id } },
          body: {
            at: new Date(when).toISOString(),
            kind,
            words: said,
            startsBaseline: starts,
            baselineUntil: until === '' || !starts ? null : until,
          },
        }),
      ),
    onSuccess: async () => {
      await changed(client, 'events')
      say(
        t('trend:event.saved'),
        () =>
          void api
            .POST('/api/events/{eventId}/removal', { params: { path: { eventId: id } } })
            .then(() => changed(client, 'events')),
      )
      onClose()
    },
  })
  return (
    <Dialog title={t('trend:event.title', { name })} open onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          note.mutate()
        }}
      >
        <label className="flex flex-col text-[12px] text-ink2">
          {t('trend:event.kind')}
          <select
            className="field text-[14px]"
            autoFocus
            value={kind}
            onChange={(event) => {
              const chosen = event.target.value as EventKind
              setKind(chosen)
              setStarts(chosen === 'REPAIR' || chosen === 'BASELINE')
            }}
          >
            {kinds.map((one) => (
              <option key={one} value={one}>
                {t(`trend:event.kinds.${one}`)}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col text-[12px] text-ink2">
          {t('trend:event.at')}
          <MomentField label={t('trend:event.at')} value={when} onChange={setWhen} />
        </label>
        <label className="flex flex-col text-[12px] text-ink2">
          {t('trend:event.words')}
          <input
            className="field text-[14px]"
            maxLength={500}
            value={said}
            onChange={(event) => setSaid(event.target.value)}
          />
        </label>
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={starts} onChange={(event) => setStarts(event.target.checked)} />
          {t('trend:event.starts')}
        </label>
        {starts && (
          <label className="flex flex-col text-[12px] text-ink2">
            {t('trend:event.until')}
            <MomentField label={t('trend:event.until')} value={until} onChange={setUntil} />
          </label>
        )}
        <Trouble error={note.error} />
        <p>
          <Button kind="main" type="submit" disabled={note.isPending || when === ''}>
            {t('trend:event.save')}
          </Button>
        </p>
      </form>
    </Dialog>
  )
}
