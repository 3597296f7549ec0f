import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { ConnectionLine } from '../api/types'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { nameOf } from './instrumentName'
import { t } from '../words/t'
import { RenameConnection } from './RenameConnection'

/** What can be done with a way to an instrument. */
export function ConnectionActs({ line }: { line: ConnectionLine }) {
  const client = useQueryClient()
  const path = { params: { path: { id: line.id } } }
  const again = () => changed(client, 'connections')
  const attempt = useMutation({
    mutationFn: () => data(api.POST('/api/connections/{id}/try', path)),
    onSuccess: (instrument) => say(t('instruments:connection.tried', { name: nameOf(instrument) })),
    onError: (error) => say(error.message),
    onSettled: again,
  })
  const forget = useMutation({
    mutationFn: () => data(api.DELETE('/api/connections/{id}', path)),
    onSuccess: () => say(t('instruments:connection.forgotten')),
    onError: (error) => say(error.message),
    onSettled: again,
  })
  return (
    <span className="ml-2 inline-flex gap-3">
      <Button disabled={attempt.isPending} onClick={() => attempt.mutate()}>
        {t('instruments:connection.try')}
      </Button>
      <RenameConnection line={line} />
      <Button disabled={forget.isPending} onClick={() => forget.mutate()}>
        {t('instruments:connection.forget')}
      </Button>
    </span>
  )
}
