import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { ImportPreview, ImportRow } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { JobPanel } from '../parts/JobPanel'
import { Trouble } from '../parts/Trouble'
import { queries } from '../api/queries'
import { words } from '../words/en'
import { type ImportSource, previewImport } from './importing'
import { usePlantEdit } from './usePlantEdit'

const text = words.plant.import

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
      title={source.kind === 'file' ? text.fileTitle(source.file.name) : text.pasteTitle}
      open
      wide
      onClose={onClose}
    >
      <Trouble error={preview.error ?? take.error} />
      {preview.isPending && <p>{words.common.loading}</p>}
      {found && (
        <>
          <p className="mb-2 font-semibold">{summary(found)}</p>
          {found.ignored.length > 0 && <p className="mb-2 text-ink2">{text.ignored(found.ignored.join(', '))}</p>}
          <div className="max-h-[58vh] overflow-auto border-y border-rule">
            <table className="ledger" aria-label={text.rows}>
              <thead className="sticky top-0 bg-paper">
                <tr>
                  <th className="num">{text.columns.row}</th>
                  <th>{text.columns.what}</th>
                  <th>{text.columns.level}</th>
                  <th>{text.columns.state}</th>
                  <th>{text.columns.notes}</th>
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
              {text.take(found.changes)}
            </Button>
            <Button onClick={onClose}>{words.common.cancel}</Button>
            {found.wrong > 0 && <span className="text-ink2">{text.mend}</span>}
          </div>
        </>
      )}
    </Dialog>
  )
}

function summary(found: ImportPreview): string {
  if (found.wrong > 0) return text.wrong(found.wrong, found.wrong + found.fresh + found.changed + found.same)
  if (found.changes === 0) return text.nothing
  return text.sound(found.fresh, found.changed, found.same)
}

function PreviewRow({ row }: { row: ImportRow }) {
  const isWrong = row.state === 'WRONG'
  return (
    <tr className={isWrong ? 'bg-paper3' : ''}>
      <td className="num w-12 text-ink2">{row.number}</td>
      <td style={{ paddingLeft: 8 + row.depth * 15 }} className={row.state === 'SAME' ? 'text-ink3' : 'font-semibold'}>
        {row.label}
      </td>
      <td className="w-16 text-ink2">{row.level && words.level[row.level]}</td>
      <td className={`w-20 whitespace-nowrap ${isWrong ? 'font-semibold' : 'text-ink2'}`}>
        {isWrong && '✕ '}
        {text.state[row.state]}
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
