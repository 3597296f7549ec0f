import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'

/** Begins or ends a run on the instrument itself; nothing where it records none. */
export function RunButton({ instrumentId, isRunning }: { instrumentId: string; isRunning: boolean | null }) {
  const client = useQueryClient()
  const turn = useMutation({
    mutationFn: (begin: boolean) =>
      data(api.POST('/api/instruments/{id}/run', { params: { path: { id: instrumentId } }, body: { begin } })),
    onSettled: () => changed(client, 'memory'),
  })
  if (isRunning === null) return null
  return (
    <>
      <Button disabled={turn.isPending} onClick={() => turn.mutate(!isRunning)}>
        {isRunning ? t('instruments:endRun') : t('instruments:startRun')}
      </Button>
      <Trouble error={turn.error} />
    </>
  )
}
