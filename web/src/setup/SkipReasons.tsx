import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { refresh } from '../api/refresh'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { words } from '../words/en'

/** What a technician chooses from who skips a stop. */
export function SkipReasons() {
  const client = useQueryClient()
  const reasons = useQuery(queries.skipReasons())
  const [typed, setTyped] = useState<string | null>(null)
  const saved = reasons.data?.reasons.join('\n') ?? ''
  const save = useMutation({
    mutationFn: (text: string) => data(api.PUT('/api/routes/skip-reasons', { body: { reasons: text.split('\n') } })),
    onSuccess: async () => {
      await refresh(client, 'skip-reasons')
      setTyped(null)
      say(words.routes.skipReasonsSaved)
    },
  })
  return (
    <section className="mb-6">
      <h2 className="font-semibold">{words.routes.skipReasons}</h2>
      <p className="mb-1 text-ink2">{words.routes.skipReasonsSay}</p>
      <Trouble error={reasons.error ?? save.error} />
      <textarea aria-label={words.routes.skipReasons} rows={5} className="field block h-auto w-80" value={typed ?? saved} onChange={(event) => setTyped(event.target.value)} />
      <p className="mt-2">
        <Button kind="second" disabled={typed === null || typed === saved || save.isPending} onClick={() => typed !== null && save.mutate(typed)}>
          {words.common.save}
        </Button>
      </p>
    </section>
  )
}
