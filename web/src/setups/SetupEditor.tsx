import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { changed } from '../api/subjects'
import type { SetupFormView, SetupView } from '../api/types'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { askedFields, said, usualValues, writtenValues } from './fields'
import { SetupFit } from './SetupFit'
import { SetupLive } from './SetupLive'
import { SetupRevisions } from './SetupRevisions'
import { SetupRowTable } from './SetupRowTable'
import { SetupValue } from './SetupValue'

/** A set-up as a form made of its kind's fields; below, which instrument can take it. */
export function SetupEditor({
  saved,
  onSaved,
}: {
  saved: SetupView | undefined
  onSaved: (id: string | undefined) => void
}) {
  const forms = useQuery(queries.setupForms())
  const [kind, setKind] = useState<string | null>(null)
  const form = forms.data?.find((one) => one.id === (saved?.form ?? kind ?? forms.data[0]?.id))
  if (!form) return <Trouble error={forms.error} />
  const choice = !saved && (
    <label className="mb-3 flex items-center gap-2 text-ink2">
      {t('setups:kind')}
      <select className="field" value={form.id} onChange={(event) => setKind(event.target.value)}>
        {forms.data?.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name}
          </option>
        ))}
      </select>
    </label>
  )
  return <Editor key={form.id} saved={saved} form={form} choice={choice} onSaved={onSaved} />
}

function Editor({
  saved,
  form,
  choice,
  onSaved,
}: {
  saved: SetupView | undefined
  form: SetupFormView
  choice: ReactNode
  onSaved: (id: string | undefined) => void
}) {
  const client = useQueryClient()
  const mayEdit = useMay().edit
  const [id] = useState(() => saved?.id ?? crypto.randomUUID())
  const [name, setName] = useState(saved?.name ?? '')
  const [values, setValues] = useState<Record<string, string>>({ ...usualValues(form.fields), ...saved?.values })
  const [rows, setRows] = useState<Record<string, string>[]>(
    saved?.rows.map((row) => ({ ...usualValues(form.rowFields), ...row })) ?? [usualValues(form.rowFields)],
  )
  const draft = {
    name,
    form: form.id,
    values: writtenValues(form.fields, values),
    rows: rows.map((row) => writtenValues(form.rowFields, row)),
  }
  const [begun] = useState(() => JSON.stringify(draft))
  const isChanged = !saved || JSON.stringify(draft) !== begun
  const path = { params: { path: { id } } }
  const save = useMutation({
    mutationFn: () => data(api.PUT('/api/setups/{id}', { ...path, body: { ...draft, version: saved?.version ?? 0 } })),
    onSuccess: async (setup) => {
      await changed(client, 'setups')
      say(t('setups:saved'))
      onSaved(setup.id)
    },
  })
  const bringBack = useMutation({
    mutationFn: () => data(api.POST('/api/setups/{id}/bring-back', path)),
    onSuccess: () => changed(client, 'setups'),
  })
  const remove = useMutation({
    mutationFn: () => data(api.DELETE('/api/setups/{id}', path)),
    onSuccess: async () => {
      await changed(client, 'setups')
      say(t('setups:removed', { name }), () => bringBack.mutate())
      onSaved(undefined)
    },
  })
  return (
    <section aria-label={form.name} className="min-w-0 flex-1 overflow-auto px-4 py-3">
      {choice}
      <form
        onSubmit={(event) => {
          event.preventDefault()
          save.mutate()
        }}
      >
        <div className="mb-4 flex items-center gap-3">
          <input
            aria-label={t('setups:name')}
            placeholder={t('setups:name')}
            className="field min-w-0 flex-1 font-semibold"
            value={name}
            disabled={!mayEdit}
            onChange={(event) => setName(event.target.value)}
          />
          {mayEdit && (
            <Button kind="main" type="submit" disabled={!isChanged || save.isPending || !name.trim()}>
              {t('setups:save')}
            </Button>
          )}
        </div>
        <div className="mb-4 flex max-w-[760px] flex-wrap gap-x-8 gap-y-2">
          {askedFields(form.fields, values).map((field) => (
            <label key={field.key} className="flex items-center gap-2">
              <span className="text-ink2">{field.name}</span>
              <SetupValue
                field={field}
                label={field.name}
                value={said(field, values)}
                disabled={!mayEdit}
                onChange={(value) => setValues({ ...values, [field.key]: value })}
              />
              <span className="text-ink3">{field.unit}</span>
            </label>
          ))}
        </div>
        <SetupRowTable form={form} rows={rows} mayEdit={mayEdit} onChange={setRows} />
        <Trouble error={save.error ?? remove.error} />
        {saved && mayEdit && (
          <p className="mt-3">
            <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
              {t('setups:remove')}
            </Button>
          </p>
        )}
      </form>
      {saved && !isChanged ? (
        saved.isLoadable ? (
          <SetupFit setup={saved} />
        ) : (
          <SetupLive setup={saved} />
        )
      ) : (
        <p className="mt-4 text-ink2">{t('setups:unsaved')}</p>
      )}
      {saved && (
        <SetupRevisions
          setup={saved}
          onTake={(earlier) => {
            setValues({ ...usualValues(form.fields), ...earlier.values })
            setRows(earlier.rows.map((row) => ({ ...usualValues(form.rowFields), ...row })))
          }}
        />
      )}
    </section>
  )
}
