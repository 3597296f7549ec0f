import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { asForm, asFormWith } from '../api/fileForm'
import { changed } from '../api/subjects'
import type { ForeignDraft, ForeignLook } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { ForeignColumns } from './ForeignColumns'
import { ForeignOutcome } from './ForeignOutcome'
import { ForeignQuestions } from './ForeignQuestions'

/** A table of an instrument that knows nothing of Rovek: what its columns hold is said once, on its own rows. */
export function ForeignDialog({
  file,
  onTaken,
  onClose,
}: {
  file: File
  onTaken: (visitId: string | null) => void
  onClose: () => void
}) {
  const look = useQuery({
    queryKey: ['foreign', file.name, file.lastModified, file.size],
    queryFn: () => data(api.POST('/api/foreign-tables/look', asForm(file))),
    retry: false,
    gcTime: 0,
  })
  return (
    <Dialog title={t('foreign:title', { name: file.name })} open wide onClose={onClose}>
      <Trouble error={look.error} />
      {look.isPending && <p>{t('common:loading')}</p>}
      {look.data && <ForeignForm file={file} look={look.data} onTaken={onTaken} onClose={onClose} />}
    </Dialog>
  )
}

interface Props {
  file: File
  look: ForeignLook
  onTaken: (visitId: string | null) => void
  onClose: () => void
}

function ForeignForm({ file, look, onTaken, onClose }: Props) {
  const client = useQueryClient()
  const [draft, setDraft] = useState<ForeignDraft>(look.draft)
  const isDecided = draft.mark !== null && draft.order !== null
  const preview = useQuery({
    queryKey: [
      'foreign',
      file.name,
      file.lastModified,
      file.size,
      'preview',
      { ...draft, maker: '', model: '', serial: '' },
    ],
    queryFn: () => data(api.POST('/api/foreign-tables/preview', asFormWith(file, draft))),
    enabled: isDecided,
    retry: false,
    gcTime: 0,
  })
  const take = useMutation({
    mutationFn: () => data(api.POST('/api/foreign-tables', asFormWith(file, draft))),
    onSuccess: async (taken) => {
      await changed(client, 'readings')
      say(t('foreign:taken', { fresh: taken.fresh, known: taken.known }))
      onTaken(taken.visitId)
    },
  })
  const readings = preview.data?.readings ?? 0
  return (
    <>
      <p className="mb-3 text-ink2">{look.isRemembered ? t('foreign:remembered') : t('foreign:say')}</p>
      <ForeignQuestions look={look} draft={draft} onChange={setDraft} />
      <ForeignColumns look={look} columns={draft.columns} onChange={(columns) => setDraft({ ...draft, columns })} />
      {isDecided && <Trouble error={preview.error} />}
      {isDecided && preview.data && <ForeignOutcome preview={preview.data} />}
      <Trouble error={take.error} />
      <div className="sticky -bottom-5 -mb-5 mt-2 flex items-center gap-4 bg-paper py-4">
        <Button
          kind="main"
          disabled={
            readings === 0 ||
            (preview.data?.obstacle ?? '') !== '' ||
            !draft.serial.trim() ||
            !draft.model.trim() ||
            take.isPending
          }
          onClick={() => take.mutate()}
        >
          {t('foreign:take', { n: readings })}
        </Button>
        <Button onClick={onClose}>{t('common:cancel')}</Button>
      </div>
    </>
  )
}
