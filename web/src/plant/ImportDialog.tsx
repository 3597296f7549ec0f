import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { ImportPreview, ImportRow } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { JobPanel } from '../parts/JobPanel'
import { Trouble } from '../parts/Trouble'
import { queries } from '../api/queries'
import { t } from '../words/t'
import { type ImportSource, previewImport } from './importing'
import { usePlantEdit } from './usePlantEdit'

/** What rows of a spreadsheet or a file would become, before they do: all of them, or none. */
export function ImportDialog({
  source,
  onTaken,
  onClose,
}: {
  source: ImportSource
  onTaken: (first: string | undefined) => void
  onClose: () => void
}) {
  const preview = useQuery({
    queryKey: ['import', source],
    queryFn: () => previewImport(source),
    retry: false,
    gcTime: 0,
  })
  const { take } = usePlantEdit()
  const [changeId, setChangeId] = useState('')
  const running = useQuery({
    ...queries.job(changeId),
    enabled: take.isPending && changeId !== '',
    refetchInterval: 500,
    retry: false,
  })
  const begin = (digest: string) => {
    const id = crypto.randomUUID()
    setChangeId(id)
    take.mutate({ source, digest, changeId: id }, { onSuccess: (taken) => onTaken(taken.added[0]) })
  }
  const found = preview.data
  const ready = found !== undefined && found.wrong === 0 && found.changes > 0
  return (
    <Dialog
      title={
        source.kind === 'file' ? t('plant:import.fileTitle', { name: source.file.name }) : t('plant:import.pasteTitle')
      }
      open
      wide
      onClose={onClose}
    >
      <Trouble error={preview.error ?? take.error} />
      {preview.isPending && <p>{t('common:loading')}</p>}
      {found && (
        <>
          <p className="mb-2 font-semibold">{summary(found)}</p>
          {found.ignored.length > 0 && (
            <p className="mb-2 text-ink2">{t('plant:import.ignored', { columns: found.ignored.join(', ') })}</p>
          )}
          <div className="max-h-[58vh] overflow-auto border-y border-rule">
            <table className="ledger" aria-label={t('plant:import.rows')}>
              <thead className="sticky top-0 bg-paper">
                <tr>
                  <th className="num">{t('plant:import.columns.row')}</th>
                  <th>{t('plant:import.columns.what')}</th>
                  <th>{t('plant:import.columns.level')}</th>
                  <th>{t('plant:import.columns.state')}</th>
                  <th>{t('plant:import.columns.notes')}</th>
                </tr>
              </thead>
              <tbody>
                {found.rows.map((row) => (
                  <PreviewRow key={row.number} row={row} />
                ))}
              </tbody>
            </table>
          </div>
          {take.isPending && running.data?.state === 'RUNNING' && (
            <JobPanel job={running.data} onTryAgain={() => undefined} />
          )}
          <div className="mt-4 flex items-center gap-4">
            <Button kind="main" autoFocus disabled={!ready || take.isPending} onClick={() => begin(found.digest)}>
              {t('plant:import.take', { n: found.changes })}
            </Button>
            <Button onClick={onClose}>{t('common:cancel')}</Button>
            {found.wrong > 0 && <span className="text-ink2">{t('plant:import.correctSource')}</span>}
          </div>
        </>
      )}
    </Dialog>
  )
}

function summary(found: ImportPreview): string {
  if (found.wrong > 0)
    return t('plant:import.wrong', { wrong: found.wrong, all: found.wrong + found.fresh + found.changed + found.same })
  if (found.changes === 0) return t('plant:import.nothing')
  const what = [
    found.fresh > 0 && t('plant:import.fresh', { n: found.fresh }),
    found.changed > 0 && t('plant:import.changed', { n: found.changed }),
    found.same > 0 && t('plant:import.same', { n: found.same }),
  ]
  return t('plant:import.sound', { what: what.filter(Boolean).join(', ') })
}

function PreviewRow({ row }: { row: ImportRow }) {
  const isWrong = row.state === 'WRONG'
  return (
    <tr className={isWrong ? 'bg-paper3' : ''}>
      <td className="num w-12 text-ink2">{row.number}</td>
      <td style={{ paddingLeft: 8 + row.depth * 15 }} className={row.state === 'SAME' ? 'text-ink3' : 'font-semibold'}>
        {row.label}
      </td>
      <td className="w-16 text-ink2">{row.level && t(`common:level.${row.level}`)}</td>
      <td className={`w-20 whitespace-nowrap ${isWrong ? 'font-semibold' : 'text-ink2'}`}>
        {isWrong && '✕ '}
        {t(`plant:import.state.${row.state}`)}
      </td>
      <td className={isWrong ? '' : 'text-ink2'}>
        {row.notes.map((note) => (
          <span key={note} className="block">
            {note}
          </span>
        ))}
      </td>
    </tr>
  )
}
