import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { changed } from '../api/subjects'
import type { ReportChoice } from '../api/types'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { type Choice, chosenUnits } from '../units/choice'
import { conversion } from '../units/shown'
import { UnitTable } from '../units/UnitTable'
import { t } from '../words/t'

interface Props {
  clientId: string
  name: string
  mayEdit: boolean
  onClose: () => void
}

const nameOf = (language: string) => new Intl.DisplayNames([language], { type: 'language' }).of(language) ?? language

/** In which language and which units the reports of a client are written. */
export function ClientReports({ clientId: id, name, mayEdit, onClose }: Props) {
  const client = useQueryClient()
  const reports = useQuery(queries.clientReports(id))
  const taken = (now: ReportChoice) => {
    client.setQueryData(queries.clientReports(id).queryKey, now)
    void changed(client, 'reportChoices')
  }
  const language = useMutation({
    mutationFn: (wanted: string): Promise<ReportChoice> =>
      data(api.PUT('/api/clients/{id}/reports/language', { params: { path: { id } }, body: { language: wanted } })),
    onSuccess: taken,
  })
  const unit = useMutation({
    mutationFn: (choice: Choice): Promise<ReportChoice> =>
      data(api.PUT('/api/clients/{id}/reports/units', { params: { path: { id } }, body: chosenUnits([choice]) })),
    onSuccess: taken,
  })
  const isPending = language.isPending || unit.isPending
  return (
    <Dialog title={t('plant:reports.title', { name })} open wide onClose={onClose}>
      <p className="mb-3 text-ink2">{t('plant:reports.say')}</p>
      <Trouble error={reports.error ?? language.error ?? unit.error} />
      {reports.data && (
        <>
          <label className="mb-3 flex items-center gap-3">
            <span className="text-ink2">{t('common:language')}</span>
            <select
              className="field"
              disabled={!mayEdit || isPending}
              value={reports.data.language}
              onChange={(event) => language.mutate(event.target.value)}
            >
              {reports.data.languages.map((one) => (
                <option key={one} value={one} lang={one}>
                  {nameOf(one)}
                </option>
              ))}
            </select>
          </label>
          <UnitTable
            kinds={reports.data.units.kinds}
            chosen={(kind) => kind.own}
            inherited={(kind) => kind.everybody}
            by={(stored) => {
              const chosen = reports.data.units.shown.find((one) => one.stored === stored)
              return chosen
                ? conversion(chosen)
                : conversion({ stored, unit: stored, factor: 1, offset: 0, decimals: null })
            }}
            disabled={!mayEdit || isPending}
            onChoose={(kind, chosen) => unit.mutate({ kind: kind.kind, chosen })}
          />
        </>
      )}
    </Dialog>
  )
}
