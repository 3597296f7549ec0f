import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { PlantEvent } from '../api/types'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { useTimes } from '../units/useTimes'
import { t } from '../words/t'

/** The flags of the plot in words, the newest first. */
export function EventList({ events, mayEdit }: { events: PlantEvent[]; mayEdit: boolean }) {
  const { day } = useTimes()
  const client = useQueryClient()
  const remove = useMutation({
    mutationFn: (id: string) => data(api.POST('/api/events/{eventId}/removal', { params: { path: { eventId: id } } })),
    onSuccess: () => say(t('trend:event.removed')),
    onError: (error) => say(error.message),
    onSettled: () => changed(client, 'events'),
  })
  if (events.length === 0) return null
  return (
    <ul aria-label={t('trend:event.list')} className="mt-1 text-[13px]">
      {[...events].reverse().map((event) => (
        <li key={event.id}>
          {day(event.at)} <span className="font-semibold">{t(`trend:event.kinds.${event.kind}`)}</span> {event.words}{' '}
          <span className="text-ink3">
            {event.nodeName}, {event.notedBy}
          </span>{' '}
          {mayEdit && <Button onClick={() => remove.mutate(event.id)}>{t('trend:event.remove')}</Button>}
        </li>
      ))}
    </ul>
  )
}
