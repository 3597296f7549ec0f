import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Link, useNavigate } from '@tanstack/react-router'
import { useState } from 'react'
import { api, data } from '../api/client'
import { asForm } from '../api/fileForm'
import { changed } from '../api/subjects'
import type { JobView } from '../api/types'
import { useMay } from '../parts/useMay'
import { ForeignDialog } from '../foreign/ForeignDialog'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { FileButton } from '../parts/FileButton'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { JobPanel } from '../parts/JobPanel'
import { useJob } from '../parts/useJob'

/** Readings that come as a file: kept as an original and taken as if their instrument had been read back. A table is asked about first. */
export function TakeFile({ onTaken = () => undefined }: { onTaken?: (instrumentId: string) => void }) {
  const client = useQueryClient()
  const mayEdit = useMay().edit
  const navigate = useNavigate()
  const [table, setTable] = useState<File | null>(null)
  const [started, setStarted] = useState<JobView | null>(null)
  const job = useJob(started, () => void changed(client, 'readings'))
  const take = useMutation({
    mutationFn: (file: File) =>
      data(
        api.POST('/api/originals', {
          ...asForm(file),
        }),
      ),
    onSuccess: setStarted,
  })
  const openVisit = (visitId: string | null) => {
    setTable(null)
    if (visitId) void navigate({ to: '/visits/$visitId', params: { visitId } })
  }
  const close = () => {
    if (started?.subjectId) onTaken(started.subjectId)
    setStarted(null)
    take.reset()
  }
  if (!mayEdit) return null
  return (
    <span>
      <FileButton
        text={t('instruments:takeFile')}
        label={t('instruments:takeFileChoose')}
        accept=".zip,.csv,.txt,.tsv"
        disabled={take.isPending}
        onFile={(file) => (/\.zip$/i.test(file.name) ? take.mutate(file) : setTable(file))}
      />
      {table && <ForeignDialog file={table} onTaken={openVisit} onClose={() => setTable(null)} />}
      <Dialog title={t('instruments:takeFileTitle')} open={job !== null || take.error !== null} onClose={close}>
        <Trouble error={take.error} />
        {job && <JobPanel job={job} onTryAgain={() => take.variables && take.mutate(take.variables)} />}
        <span className="mt-4 flex gap-4">
          {job?.state === 'DONE' && (
            <Link to="/visits" className="font-semibold text-plum hover:underline">
              {t('instruments:openVisit')}
            </Link>
          )}
          <Button onClick={close}>{t('common:close')}</Button>
        </span>
      </Dialog>
    </span>
  )
}
