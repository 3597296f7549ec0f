import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { Account } from '../api/types'
import { changed } from '../api/subjects'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'

const roles = ['VIEWER', 'TECHNICIAN', 'REVIEWER', 'ADMINISTRATOR'] as const

/** Who may sign in, with what role. */
export function People() {
  const client = useQueryClient()
  const accounts = useQuery(queries.accounts())
  const renew = () => changed(client, 'accounts')
  const change = useMutation({
    mutationFn: ({ account, ...fields }: { account: Account; role?: Account['role']; active?: boolean }) =>
      data(
        api.PATCH('/api/accounts/{id}', {
          params: { path: { id: account.id } },
          body: {
            displayName: null,
            role: fields.role ?? null,
            active: fields.active ?? null,
            password: null,
            version: account.version,
          },
        }),
      ),
    onSettled: renew,
  })
  return (
    <section className="mb-6 max-w-[820px]">
      <h2 className="font-semibold">{t('setup:people')}</h2>
      <Trouble error={accounts.error ?? change.error} />
      <table className="ledger mb-3">
        <thead>
          <tr>
            <th>{t('setup:signInName')}</th>
            <th>{t('setup:displayName')}</th>
            <th>{t('setup:role')}</th>
            <th>{t('setup:active')}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {accounts.data?.map((account) => (
            <tr key={account.id}>
              <td className="font-mono font-semibold">{account.name}</td>
              <td>{account.displayName}</td>
              <td>
                <select
                  aria-label={`${t('setup:role')} ${account.name}`}
                  className="field"
                  value={account.role}
                  onChange={(event) => change.mutate({ account, role: event.target.value as Account['role'] })}
                >
                  {roles.map((role) => (
                    <option key={role} value={role}>
                      {t(`common:role.${role}`)}
                    </option>
                  ))}
                </select>
              </td>
              <td>{account.active ? t('setup:open') : t('setup:closed')}</td>
              <td className="num">
                <Button onClick={() => change.mutate({ account, active: !account.active })}>
                  {account.active ? t('setup:close') : t('setup:reopen')}
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <AddPerson onAdded={renew} />
    </section>
  )
}

function AddPerson({ onAdded }: { onAdded: () => void }) {
  const empty = { name: '', displayName: '', role: 'TECHNICIAN' as Account['role'], password: '' }
  const [person, setPerson] = useState(empty)
  const add = useMutation({
    mutationFn: () => data(api.POST('/api/accounts', { body: person })),
    onSuccess: () => {
      setPerson(empty)
      onAdded()
    },
  })
  const field = (key: 'name' | 'displayName' | 'password', label: string, type = 'text') => (
    <label>
      <span className="block text-[12px] text-ink2">{label}</span>
      <input
        type={type}
        autoComplete="off"
        className="field w-40"
        value={person[key]}
        onChange={(event) => setPerson({ ...person, [key]: event.target.value })}
      />
    </label>
  )
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        add.mutate()
      }}
    >
      {field('name', t('setup:signInName'))}
      {field('displayName', t('setup:displayName'))}
      {field('password', t('setup:password'), 'password')}
      <label>
        <span className="block text-[12px] text-ink2">{t('setup:role')}</span>
        <select
          className="field"
          value={person.role}
          onChange={(event) => setPerson({ ...person, role: event.target.value as Account['role'] })}
        >
          {roles.map((role) => (
            <option key={role} value={role}>
              {t(`common:role.${role}`)}
            </option>
          ))}
        </select>
      </label>
      <Button kind="second" type="submit" disabled={add.isPending}>
        {t('setup:addPerson')}
      </Button>
      <Trouble error={add.error} />
    </form>
  )
}
