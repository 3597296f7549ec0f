import { useState } from 'react'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { t } from '../words/t'

/** A reading is never thrown away without a reason. */
export function DiscardDialog({ onClose, onDiscard }: { onClose: () => void; onDiscard: (reason: string) => void }) {
  const [reason, setReason] = useState('')
  return (
    <Dialog title={t('visits:sheet.discardWhy')} open onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          onDiscard(reason)
        }}
      >
        <input
          aria-label={t('visits:sheet.discardWhy')}
          className="field mb-3 w-full"
          autoFocus
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
        <Button kind="main" type="submit" disabled={!reason.trim()}>
          {t('visits:sheet.discard')}
        </Button>
      </form>
    </Dialog>
  )
}
