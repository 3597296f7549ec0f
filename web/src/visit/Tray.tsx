import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { type KeyboardEvent, useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { noFilter } from '../plant/looking'
import type { LooseReading } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { say } from '../parts/notices'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { number, time } from '../units/format'
import { words } from '../words/en'
import { DRAGGED_READING } from './dragging'
import { usePlacements } from './usePlacements'
import { useReadingChange } from './useReadingChange'

const text = words.visits.sheet
const MOST_SHOWN = 60
const CERTAIN = 0.8

/** Readings that no stop asked for, with where each may belong and why. */
export function Tray({ tray, mayEdit }: { tray: LooseReading[]; mayEdit: boolean }) {
  const placeAll = usePlacements()
  const certain = tray.flatMap((reading) => {
    const best = reading.discardedBecause === null ? reading.proposals[0] : undefined
    return best && best.certainty >= CERTAIN ? [{ readingId: reading.id, checkId: best.checkId }] : []
  })
  const acceptAll = () =>
    placeAll.mutate({ placements: certain, back: certain.map((one) => ({ ...one, checkId: null })), said: text.placedAll(certain.length) })
  return (
    <aside aria-label={text.tray} className="w-[290px] shrink-0 overflow-auto border-l border-rule2 bg-paper2 max-lg:max-h-[34%] max-lg:w-full max-lg:border-t max-lg:border-l-0 px-3.5 py-3">
      <h2 className="font-semibold">{text.tray}</h2>
      <p className="mb-2 text-ink2">{tray.length === 0 ? text.trayEmpty : text.traySay}</p>
      {mayEdit && tray.length > 0 && <p className="mb-2 text-[12px] text-ink3">{text.trayKeys}</p>}
      {mayEdit && certain.length > 0 && (
        <p className="mb-2">
          <Button disabled={placeAll.isPending} onClick={acceptAll}>
            {text.acceptAll(certain.length)}
          </Button>
        </p>
      )}
      {tray.map((reading) => (
        <TrayItem key={reading.id} reading={reading} mayEdit={mayEdit} />
      ))}
    </aside>
  )
}

function focusBeside(item: HTMLElement, which: 'next' | 'previous') {
  const all = [...document.querySelectorAll<HTMLElement>('[data-loose]')]
  all[all.indexOf(item) + (which === 'next' ? 1 : -1)]?.focus()
}

function TrayItem({ reading, mayEdit }: { reading: LooseReading; mayEdit: boolean }) {
  const client = useQueryClient()
  const changed = useReadingChange(client)
  const [elsewhere, setElsewhere] = useState(false)
  const [discarding, setDiscarding] = useState(false)
  const path = { params: { path: { id: reading.id } } }
  const place = useMutation({
    mutationFn: (checkId: string | null) => data(api.POST('/api/readings/{id}/place', { ...path, body: { checkId } })),
    onSuccess: (_, checkId) => (checkId ? say(text.placed, () => place.mutate(null)) : say(text.unplaced)),
    onSettled: changed,
  })
  const restore = useMutation({
    mutationFn: () => data(api.POST('/api/readings/{id}/restore', path)),
    onSettled: changed,
  })
  const discard = useMutation({
    mutationFn: (reason: string) => data(api.POST('/api/readings/{id}/discard', { ...path, body: { reason } })),
    onSuccess: () => say(text.discarded, () => restore.mutate()),
    onSettled: changed,
  })
  const best = reading.proposals[0]
  const title = `${reading.label || text.tray} ${reading.value === null ? '' : `${number(reading.value)} ${reading.unit}`}`
  const titleLook = `font-semibold ${reading.discardedBecause ? 'line-through' : ''}`
  const isOpen = mayEdit && reading.discardedBecause === null
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const acts: Record<string, () => void> = {
      ArrowDown: () => focusBeside(event.currentTarget, 'next'),
      ArrowUp: () => focusBeside(event.currentTarget, 'previous'),
      Enter: () => isOpen && best && place.mutate(best.checkId),
      e: () => isOpen && setElsewhere(true),
      d: () => isOpen && setDiscarding(true),
    }
    const act = acts[event.key]
    if (!act) return
    event.preventDefault()
    act()
  }
  return (
    <div
      draggable={mayEdit && reading.discardedBecause === null}
      onDragStart={(event) => {
        event.dataTransfer.effectAllowed = 'move'
        event.dataTransfer.setData(DRAGGED_READING, reading.id)
      }}
      className="mb-2.5 border border-rule2 bg-sheet p-3"
    >
      <div className="flex justify-between">
        {mayEdit ? (
          <button type="button" data-loose={reading.id} className={`cursor-grab text-left ${titleLook}`} onKeyDown={onKeyDown}>
            {title}
          </button>
        ) : (
          <span className={titleLook}>{title}</span>
        )}
        <span className="text-ink2">{time(reading.takenAt)}</span>
      </div>
      {reading.discardedBecause !== null ? (
        <p className="text-ink2">
          {text.discarded}: {reading.discardedBecause} {mayEdit && <Button onClick={() => restore.mutate()}>{text.restore}</Button>}
        </p>
      ) : (
        <>
          {best ? (
            <>
              <div className="my-1 flex items-center gap-2">
                <Tag text={best.assetTag} /> {best.place}
              </div>
              <p className="text-[13px] text-ink2">
                {best.reason}; {text.certainty(best.certainty)}
              </p>
            </>
          ) : (
            <p className="text-ink2">{text.noProposal}</p>
          )}
          {mayEdit && (
            <div className="mt-1 flex gap-4">
              {best && <Button onClick={() => place.mutate(best.checkId)}>{text.placeHere}</Button>}
              <Button onClick={() => setElsewhere(true)}>{text.elsewhere}</Button>
              <Button onClick={() => setDiscarding(true)}>{text.discard}</Button>
            </div>
          )}
        </>
      )}
      <Trouble error={place.error ?? discard.error ?? restore.error} />
      {elsewhere && (
        <PlaceDialog
          technique={reading.technique}
          onClose={() => setElsewhere(false)}
          onPlace={(checkId) => {
            place.mutate(checkId)
            setElsewhere(false)
          }}
        />
      )}
      {discarding && (
        <DiscardDialog
          onClose={() => setDiscarding(false)}
          onDiscard={(reason) => {
            discard.mutate(reason)
            setDiscarding(false)
          }}
        />
      )}
    </div>
  )
}

function PlaceDialog({ technique, onClose, onPlace }: { technique: string; onClose: () => void; onPlace: (checkId: string) => void }) {
  const [wanted, setWanted] = useState('')
  const found = useQuery({ ...queries.checks({ ...noFilter, text: wanted.trim() || null, technique }), placeholderData: (previous) => previous })
  return (
    <Dialog title={text.chooseCheck} open onClose={onClose}>
      <input aria-label={text.chooseCheck} className="field mb-2 w-full" autoFocus value={wanted} onChange={(event) => setWanted(event.target.value)} />
      <Trouble error={found.error} />
      <ul className="max-h-[46vh] overflow-auto">
        {found.data?.checks.slice(0, MOST_SHOWN).map((check) => (
          <li key={check.id}>
            <button type="button" className="flex w-full cursor-pointer items-center gap-2 px-1 py-1 text-left hover:bg-wash" onClick={() => onPlace(check.id)}>
              <Tag text={check.assetTag} /> {check.point}, {check.check}
            </button>
          </li>
        ))}
      </ul>
      {found.data && found.data.all > MOST_SHOWN && <p className="mt-2 text-ink3">{text.moreChecks(found.data.all - MOST_SHOWN)}</p>}
    </Dialog>
  )
}

function DiscardDialog({ onClose, onDiscard }: { onClose: () => void; onDiscard: (reason: string) => void }) {
  const [reason, setReason] = useState('')
  return (
    <Dialog title={text.discardWhy} open onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          onDiscard(reason)
        }}
      >
        <input aria-label={text.discardWhy} className="field mb-3 w-full" autoFocus value={reason} onChange={(event) => setReason(event.target.value)} />
        <Button kind="main" type="submit" disabled={!reason.trim()}>
          {text.discard}
        </Button>
      </form>
    </Dialog>
  )
}
