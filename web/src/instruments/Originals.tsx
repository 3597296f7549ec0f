import { useMutation, useQuery } from '@tanstack/react-query'
import { Fragment } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { JobView } from '../api/types'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { bytes, dayAndTime } from '../units/format'
import { t } from '../words/t'
import { LeftOut } from './LeftOut'

/** Every file that was ever read back, kept as the instrument gave it. */
export function Originals({ instrumentId, onJob }: { instrumentId: string; onJob: (job: JobView) => void }) {
  const mayEdit = useMay().edit
  const takeAgain = useMutation({
    mutationFn: (id: string) => data(api.POST('/api/originals/{id}/take', { params: { path: { id } } })),
    onSuccess: onJob,
  })
  const originals = useQuery(queries.originals(instrumentId))
  const list = originals.data ?? []
  return (
    <details className="mt-4 border-t border-rule pt-2">
      <summary className="cursor-pointer font-semibold">
        {t('instruments:originals')} ({list.length})
      </summary>
      <Trouble error={takeAgain.error} />
      {list.length === 0 && <p className="text-ink2">{t('instruments:originalsNone')}</p>}
      <table className="ledger">
        <tbody>
          {list.map((original) => (
            <Fragment key={original.id}>
              <tr>
                <td>{dayAndTime(original.readBackAt)}</td>
                <td>{original.fileName.replace(/^.*\//, '')}</td>
                <td className="num text-ink2">{bytes(original.size)}</td>
                <td className="text-ink2">
                  {t('instruments:originalCounts', { fresh: original.newReadings, known: original.knownReadings })}
                </td>
                <td className="font-mono text-[11px] text-ink3" title={original.sha256}>
                  {original.sha256.slice(0, 12)}…
                </td>
                <td className="num whitespace-nowrap">
                  <a
                    className="mr-4 font-semibold text-plum hover:underline"
                    href={`/api/originals/${original.id}/file`}
                    download
                  >
                    {t('instruments:saveOriginal')}
                  </a>
                  {mayEdit && (
                    <Button disabled={takeAgain.isPending} onClick={() => takeAgain.mutate(original.id)}>
                      {t('instruments:takeAgain')}
                    </Button>
                  )}
                </td>
              </tr>
              {original.leftOut.length > 0 && (
                <tr>
                  <td colSpan={6}>
                    <LeftOut original={original} onTakeAgain={() => takeAgain.mutate(original.id)} />
                  </td>
                </tr>
              )}
            </Fragment>
          ))}
        </tbody>
      </table>
    </details>
  )
}
