import { useState } from 'react'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { words } from '../words/en'

const text = words.visits.sheet

/** A reading is never thrown away without a reason. */
export function DiscardDialog({ onClose, onDiscard }: { onClose: () => void; onDiscard: (reason: string) => void }) {
  const [reason, setReason] = useState('')
  return (
    <Dialog title={text.discardWhy} open onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          onDiscard(reason)
        }}
      >
        <input
          aria-label={text.discardWhy}
          className="field mb-3 w-full"
          autoFocus
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
        <Button kind="main" type="submit" disabled={!reason.trim()}>
          {text.discard}
        </Button>
      </form>
    </Dialog>
  )
}
