import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { FirmwareLine } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'

interface Props {
  firmware: FirmwareLine
  maker: string
  onConfirmed: (firmware: FirmwareLine) => void
  onClose: () => void
}

/** Firmware that nobody signed: another person compares it with what its maker publishes. */
export function FirmwareConfirm({ firmware, maker, onConfirmed, onClose }: Props) {
  const client = useQueryClient()
  const confirm = useMutation({
    mutationFn: () => data(api.POST('/api/firmware/{id}/confirm', { params: { path: { id: firmware.id } } })),
    onSuccess: async (confirmed) => {
      await changed(client, 'firmware')
      say(t('instruments:update.isConfirmed', { version: confirmed.version }))
      onConfirmed(confirmed)
    },
  })
  return (
    <Dialog title={t('instruments:update.confirmTitle', { version: firmware.version })} open onClose={onClose}>
      <p className="mb-2">{t('instruments:update.notSigned', { maker, keptBy: firmware.keptBy })}</p>
      <p className="mb-1">{t('instruments:update.compare')}</p>
      <p className="num mb-3 break-all">{firmware.sha256}</p>
      <Trouble error={confirm.error} />
      <span className="flex gap-4">
        <Button kind="main" disabled={confirm.isPending} onClick={() => confirm.mutate()}>
          {t('instruments:update.confirm')}
        </Button>
        <Button onClick={onClose}>{t('common:cancel')}</Button>
      </span>
    </Dialog>
  )
}
