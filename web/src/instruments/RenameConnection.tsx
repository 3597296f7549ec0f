import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { ConnectionLine } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'

/** Gives a connection another name. */
export function RenameConnection({ line }: { line: ConnectionLine }) {
  const [isOpen, setOpen] = useState(false)
  return (
    <>
      <Button onClick={() => setOpen(true)}>{t('instruments:connection.rename')}</Button>
      {isOpen && <NameDialog line={line} onClose={() => setOpen(false)} />}
    </>
  )
}

function NameDialog({ line, onClose }: { line: ConnectionLine; onClose: () => void }) {
  const client = useQueryClient()
  const [name, setName] = useState(line.name)
  const rename = useMutation({
    mutationFn: () => data(api.PATCH('/api/connections/{id}', { params: { path: { id: line.id } }, body: { name } })),
    onSuccess: async () => {
      await changed(client, 'connections')
      onClose()
    },
  })
  return (
    <Dialog title={t('instruments:connection.renameTitle')} open onClose={onClose}>
      <form
        className="flex items-center gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          rename.mutate()
        }}
      >
        <input
          aria-label={t('instruments:connection.rename')}
          autoFocus
          className="field min-w-0 flex-1"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Button kind="main" type="submit" disabled={!name.trim() || name === line.name || rename.isPending}>
          {t('common:save')}
        </Button>
      </form>
      <Trouble error={rename.error} />
    </Dialog>
  )
}
