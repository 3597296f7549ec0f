import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { Button } from '../parts/Button'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'

export function SignIn() {
  const client = useQueryClient()
  const [name, setName] = useState('')
  const [password, setPassword] = useState('')
  const signIn = useMutation({
    mutationFn: () => data(api.POST('/api/session', { body: { name, password } })),
    // What another person saw is not shown for a moment, neither in his units nor in his times.
    onSuccess: () => void client.resetQueries(),
  })
  return (
    <main className="flex min-h-screen items-start justify-center pt-[18vh]">
      <form
        className="w-[340px]"
        onSubmit={(event) => {
          event.preventDefault()
          signIn.mutate()
        }}
      >
        <h1 className="mb-5 flex items-center gap-3 text-[18px] font-semibold">
          <Tag text={t('common:product')} large /> {t('signIn:title')}
        </h1>
        <label className="mb-3 block">
          <span className="mb-0.5 block text-ink2">{t('signIn:name')}</span>
          <input
            className="field w-full"
            name="name"
            autoComplete="username"
            autoFocus
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        </label>
        <label className="mb-4 block">
          <span className="mb-0.5 block text-ink2">{t('signIn:password')}</span>
          <input
            className="field w-full"
            name="password"
            type="password"
            autoComplete="current-password"
            value={password}
            onChange={(e) => setPassword(e.target.value)}
          />
        </label>
        <Trouble error={signIn.error} />
        <Button kind="main" type="submit" disabled={signIn.isPending || !name || !password}>
          {t('signIn:go')}
        </Button>
      </form>
    </main>
  )
}
