import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { useReadingChange } from '../reading/useReadingChange'
import { dayAndTime } from '../units/format'
import { t } from '../words/t'

/** What was corrected in a visit, each undone whole at any time. Nothing where nothing was. */
export function Corrections({ visitId, mayEdit }: { visitId: string; mayEdit: boolean }) {
  const changed = useReadingChange(useQueryClient())
  const corrections = useQuery(queries.corrections(visitId))
  const undo = useMutation({
    mutationFn: (id: string) => data(api.POST('/api/corrections/{id}/undo', { params: { path: { id } } })),
    onSuccess: () => say(t('visits:correct.undone')),
    onSettled: changed,
  })
  const list = corrections.data ?? []
  if (list.length === 0) return <Trouble error={corrections.error} />
  return (
    <details className="my-3 border-t border-rule pt-2">
      <summary className="cursor-pointer px-2 font-semibold">
        {t('visits:corrections.title', { n: list.length })}
      </summary>
      <Trouble error={undo.error} />
      <table className="ledger">
        <thead>
          <tr>
            <th>{t('visits:corrections.at')}</th>
            <th>{t('visits:corrections.by')}</th>
            <th>{t('visits:corrections.what')}</th>
            <th className="num">{t('visits:corrections.readings')}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {list.map((one) => (
            <tr key={one.id} className={one.isUndone ? 'text-ink3' : ''}>
              <td className="whitespace-nowrap">{dayAndTime(one.at)}</td>
              <td>{one.by}</td>
              <td>{one.sentence}</td>
              <td className="num">{one.readings}</td>
              <td className="num whitespace-nowrap">
                {one.isUndone
                  ? t('visits:corrections.undone')
                  : mayEdit && (
                      <Button disabled={undo.isPending} onClick={() => undo.mutate(one.id)}>
                        {t('visits:corrections.undo')}
                      </Button>
                    )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  )
}
