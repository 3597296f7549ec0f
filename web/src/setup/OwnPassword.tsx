import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'

const empty = { former: '', wanted: '' }

export function OwnPassword() {
  const [typed, setTyped] = useState(empty)
  const change = useMutation({
    mutationFn: () => data(api.POST('/api/session/password', { body: typed })),
    onSuccess: () => {
      setTyped(empty)
      say(t('setup:passwordChanged'))
    },
  })
  return (
    <section className="mb-6">
      <h2 className="mb-1 font-semibold">{t('setup:ownPassword')}</h2>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          change.mutate()
        }}
      >
        <label>
          <span className="block text-[12px] text-ink2">{t('setup:formerPassword')}</span>
          <input
            type="password"
            autoComplete="current-password"
            className="field w-44"
            value={typed.former}
            onChange={(event) => setTyped({ ...typed, former: event.target.value })}
          />
        </label>
        <label>
          <span className="block text-[12px] text-ink2">{t('setup:newPassword')}</span>
          <input
            type="password"
            autoComplete="new-password"
            className="field w-44"
            value={typed.wanted}
            onChange={(event) => setTyped({ ...typed, wanted: event.target.value })}
          />
        </label>
        <Button kind="second" type="submit" disabled={!typed.former || !typed.wanted || change.isPending}>
          {t('setup:changePassword')}
        </Button>
      </form>
      <Trouble error={change.error} />
    </section>
  )
}
