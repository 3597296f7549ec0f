import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { FirmwareLine } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { words } from '../words/en'

const text = words.instruments.update

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
      say(text.isConfirmed(confirmed.version))
      onConfirmed(confirmed)
    },
  })
  return (
    <Dialog title={text.confirmTitle(firmware.version)} open onClose={onClose}>
      <p className="mb-2">{text.notSigned(maker, firmware.keptBy)}</p>
      <p className="mb-1">{text.compare}</p>
      <p className="num mb-3 break-all">{firmware.sha256}</p>
      <Trouble error={confirm.error} />
      <span className="flex gap-4">
        <Button kind="main" disabled={confirm.isPending} onClick={() => confirm.mutate()}>
          {text.confirm}
        </Button>
        <Button onClick={onClose}>{words.common.cancel}</Button>
      </span>
    </Dialog>
  )
}
