import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { HandRound } from '../api/types'
import { Button } from '../parts/Button'
import { MomentField } from '../parts/DateField'
import { say } from '../parts/notices'
import { Page } from '../parts/Page'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { HandStopRow } from './HandStopRow'
import { type Entry, useDraft, withUnit } from './useDraft'

const isWritten = (entry: Entry | undefined): entry is Entry =>
  entry !== undefined && entry.skipped === null && entry.written.trim() !== ''

/** The stops with their fields; what is written outlives the page until it is saved. */
export function HandRoundSheet({
  subject,
  round,
  onSaved,
}: {
  subject: string
  round: HandRound
  onSaved: (visitId: string) => void
}) {
  const client = useQueryClient()
  const { draft, wasKept, change, clear } = useDraft(subject)
  const [readAt, setReadAt] = useState('')
  const entryOf = (checkId: string) => draft.entries[checkId]
  const written = round.stops.filter((stop) => isWritten(entryOf(stop.checkId)))
  const skipped = round.stops.filter((stop) => entryOf(stop.checkId)?.skipped)
  const save = useMutation({
    mutationFn: () =>
      data(
        api.POST('/api/by-hand', {
          body: {
            walkId: draft.walkId,
            routeId: round.routeId,
            readings: written.map((stop) => {
              const entry = entryOf(stop.checkId) as Entry
              const takenAt = readAt || entry.at
              return {
                id: entry.id,
                checkId: stop.checkId,
                takenAt,
                written: withUnit(entry),
                note: entry.note,
                photos: entry.photos.map((base64) => ({ base64 })),
              }
            }),
            skipped: skipped.map((stop) => ({ checkId: stop.checkId, reason: entryOf(stop.checkId)?.skipped ?? '' })),
          },
        }),
      ),
    onSuccess: async (taken) => {
      clear()
      await changed(client, 'readings')
      say(t('byHand:saved'))
      if (taken.visitId) onSaved(taken.visitId)
    },
  })
  return (
    <Page
      say={<span className="font-semibold">{t('byHand:say', { done: written.length, all: round.stops.length })}</span>}
      actions={
        <Button
          kind="main"
          disabled={written.length + skipped.length === 0 || save.isPending}
          onClick={() => save.mutate()}
        >
          {round.routeId ? t('byHand:save') : t('byHand:saveOne')}
        </Button>
      }
    >
      <div className="h-full overflow-auto px-4 py-3">
        <header className="mb-3 flex flex-wrap items-end gap-x-6 gap-y-1">
          <h2 className="text-[19px] leading-6 font-semibold">{round.title}</h2>
          <ReadAt value={readAt} onChange={setReadAt} />
          {wasKept && (
            <p className="text-ink2">
              {t('byHand:kept')} <Button onClick={clear}>{t('byHand:leave')}</Button>
            </p>
          )}
        </header>
        <Trouble error={save.error} />
        <table className="ledger">
          <thead>
            <tr>
              <th>{t('byHand:columns.asset')}</th>
              <th>{t('byHand:columns.asked')}</th>
              <th>{t('byHand:columns.written')}</th>
              <th className="num">{t('byHand:columns.limit')}</th>
              <th className="num">{t('byHand:columns.last')}</th>
              <th>{t('byHand:columns.note')}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {round.stops.map((stop, at) => (
              <HandStopRow
                key={stop.checkId}
                isFirst={at === 0}
                stop={stop}
                entry={entryOf(stop.checkId)}
                isRound={round.routeId !== null}
                onChange={(changed) => change(stop.checkId, changed)}
              />
            ))}
          </tbody>
        </table>
      </div>
    </Page>
  )
}

/** Readings are of the moment they are written, or all of one moment before: what was on paper is typed in later. */
function ReadAt({ value, onChange }: { value: string; onChange: (value: string) => void }) {
  const [isEarlier, setEarlier] = useState(false)
  if (!isEarlier) {
    return (
      <p className="text-ink2">
        {t('byHand:readNow')} <Button onClick={() => setEarlier(true)}>{t('byHand:readEarlier')}</Button>
      </p>
    )
  }
  return (
    <label className="flex items-center gap-2 text-ink2">
      {t('byHand:readAt')}
      <MomentField label={t('byHand:readAt')} autoFocus value={value} onChange={onChange} />
    </label>
  )
}
