import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from 'react-i18next'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { Trouble } from '../parts/Trouble'
import { type Language, choose, languages } from './i18n'
import { t } from './t'

/** The language somebody reads: kept with the account, so that it is the same at every browser. */
export function LanguageChoice() {
  const client = useQueryClient()
  const { i18n } = useTranslation()
  const keep = useMutation({
    mutationFn: (language: Language) => data(api.PUT('/api/session/language', { body: { language } })),
    onSuccess: async (me) => {
      client.setQueryData(queries.me().queryKey, me)
      await choose(me.language as Language)
    },
  })
  return (
    <section className="mb-6">
      <label>
        <span className="mb-1 block font-semibold">{t('common:language')}</span>
        <select
          className="field"
          value={i18n.language}
          disabled={keep.isPending}
          onChange={(event) => keep.mutate(event.target.value as Language)}
        >
          {Object.entries(languages).map(([language, { name }]) => (
            <option key={language} value={language} lang={language}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <Trouble error={keep.error} />
    </section>
  )
}
