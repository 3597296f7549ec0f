import { type KeyboardEvent, useState } from 'react'
import { type Action, runByKey, useLatestActions } from '../actions/actions'
import { api, data } from '../api/client'
import type { LooseReading } from '../api/types'
import { Button } from '../parts/Button'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { number, unitText } from '../units/format'
import { useTimes } from '../units/useTimes'
import { t } from '../words/t'
import { CaptureDialog } from '../reading/CaptureDialog'
import { DiscardDialog } from './DiscardDialog'
import { DRAGGED_READING } from './dragging'
import { filledIn } from './filled'
import { PlaceDialog } from './PlaceDialog'
import { useCorrection } from '../reading/useCorrection'
import { trayActions } from './trayActions'
import { usePlacements } from './usePlacements'

const CERTAIN = 0.8
/** Items that are drawn at once: a page of thousands would hang. */
const SHOWN_AT_ONCE = 50

const listed: readonly Action[] = trayActions()
const none: readonly Action[] = []

/** Readings that no stop asked for, with where each may belong and why. */
export function Tray({ tray, mayEdit }: { tray: LooseReading[]; mayEdit: boolean }) {
  const placements = usePlacements()
  useLatestActions(mayEdit && tray.length > 0 ? listed : none)
  const [shown, setShown] = useState(SHOWN_AT_ONCE)
  const certain = tray.flatMap((reading) => {
    const best = reading.discardedBecause === null ? reading.proposals[0] : undefined
    return best && best.certainty >= CERTAIN ? [{ readingId: reading.id, checkId: best.checkId }] : []
  })
  const acceptAll = () => placements.place(certain, t('visits:sheet.placedAll', { n: certain.length }))
  return (
    <aside
      aria-label={t('visits:sheet.tray')}
      className="w-[290px] shrink-0 overflow-auto border-l border-rule2 bg-paper2 max-lg:max-h-[34%] max-lg:w-full max-lg:border-t max-lg:border-l-0 px-3.5 py-3"
    >
      <h2 className="font-semibold">{t('visits:sheet.tray')}</h2>
      <p className="mb-2 text-ink2">{tray.length === 0 ? t('visits:sheet.trayEmpty') : t('visits:sheet.traySay')}</p>
      {mayEdit && tray.length > 0 && <p className="mb-2 text-[12px] text-ink3">{t('visits:sheet.trayKeys')}</p>}
      {mayEdit && certain.length > 0 && (
        <p className="mb-2">
          <Button disabled={placements.isPending} onClick={acceptAll}>
            {t('visits:sheet.acceptAll', { n: certain.length })}
          </Button>
        </p>
      )}
      {tray.slice(0, shown).map((reading) => (
        <TrayItem key={reading.id} reading={reading} mayEdit={mayEdit} />
      ))}
      {tray.length > shown && (
        <Button onClick={() => setShown(shown + SHOWN_AT_ONCE)}>
          {t('visits:sheet.trayMore', { n: tray.length - shown })}
        </Button>
      )}
    </aside>
  )
}

function focusBeside(item: HTMLElement, which: 'next' | 'previous') {
  const all = [...document.querySelectorAll<HTMLElement>('[data-loose]')]
  all[all.indexOf(item) + (which === 'next' ? 1 : -1)]?.focus()
}

function TrayItem({ reading, mayEdit }: { reading: LooseReading; mayEdit: boolean }) {
  const { time } = useTimes()
  const correction = useCorrection()
  const [open, setOpen] = useState<'elsewhere' | 'discard' | 'look' | null>(null)
  const path = { params: { path: { id: reading.id } } }
  const close = () => setOpen(null)
  const place = (checkId: string) =>
    correction.mutate({
      run: () => data(api.POST('/api/readings/{id}/place', { ...path, body: { checkId } })),
      said: t('visits:sheet.placed'),
    })
  const discard = (reason: string) =>
    correction.mutate({
      run: () => data(api.POST('/api/readings/{id}/discard', { ...path, body: { reason } })),
      said: t('visits:sheet.discarded'),
    })
  const restore = () =>
    correction.mutate({
      run: () => data(api.POST('/api/readings/{id}/restore', path)),
      said: t('visits:sheet.restored'),
    })
  const newCheck = (nodeId: string, point: string | null) =>
    correction.mutate({
      run: () => data(api.POST('/api/readings/{id}/new-check', { ...path, body: { nodeId, point } })),
      said: t('visits:newCheck.done'),
    })
  const best = reading.proposals[0]
  const title = `${reading.label || t('visits:sheet.tray')} ${reading.value === null ? '' : `${number(reading.value, reading.unit)} ${unitText(reading.unit)}`}`
  const titleLook = `font-semibold ${reading.discardedBecause ? 'line-through' : ''}`
  const isOpen = mayEdit && reading.discardedBecause === null
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const item = event.currentTarget
    const acts = trayActions({
      beside: (which) => focusBeside(item, which),
      place: () => isOpen && best && place(best.checkId),
      elsewhere: () => isOpen && setOpen('elsewhere'),
      discard: () => isOpen && setOpen('discard'),
    })
    runByKey(acts, event)
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
          <button
            type="button"
            data-loose={reading.id}
            className={`cursor-grab text-left ${titleLook}`}
            onKeyDown={onKeyDown}
          >
            {title}
          </button>
        ) : (
          <span className={titleLook}>{title}</span>
        )}
        <span className="text-ink2">{time(reading.takenAt)}</span>
      </div>
      {reading.discardedBecause !== null ? (
        <p className="text-ink2">
          {t('visits:sheet.discarded')}: {reading.discardedBecause}{' '}
          {mayEdit && <Button onClick={restore}>{t('visits:sheet.restore')}</Button>}
        </p>
      ) : (
        <>
          {filledIn(reading.filled).length > 0 && <p className="text-ink2">{filledIn(reading.filled).join(', ')}</p>}
          {best ? (
            <>
              <div className="my-1 flex items-center gap-2">
                <Tag text={best.assetTag} /> {best.place}
              </div>
              <p className="text-[13px] text-ink2">
                {best.reason}; {t('visits:sheet.certainty', { share: Math.floor(100 * best.certainty) })}
              </p>
            </>
          ) : (
            <p className="text-ink2">{t('visits:sheet.noProposal')}</p>
          )}
          {mayEdit && (
            <div className="mt-1 flex flex-wrap gap-x-4">
              {best && (
                <Button className="min-h-[26px]" onClick={() => place(best.checkId)}>
                  {t('visits:sheet.placeHere')}
                </Button>
              )}
              <Button className="min-h-[26px]" onClick={() => setOpen('elsewhere')}>
                {t('visits:sheet.elsewhere')}
              </Button>
              <Button className="min-h-[26px]" onClick={() => setOpen('discard')}>
                {t('visits:sheet.discard')}
              </Button>
              <Button className="min-h-[26px]" onClick={() => setOpen('look')}>
                {t('visits:sheet.look')}
              </Button>
            </div>
          )}
        </>
      )}
      <Trouble error={correction.error} />
      {open === 'elsewhere' && (
        <PlaceDialog
          technique={reading.technique}
          onClose={close}
          onPlace={(checkId) => {
            place(checkId)
            close()
          }}
          onNewCheck={(nodeId, point) => {
            newCheck(nodeId, point)
            close()
          }}
        />
      )}
      {open === 'look' && (
        <CaptureDialog
          readingId={reading.id}
          checkId={null}
          at={reading.takenAt}
          place={reading.label}
          title={reading.label}
          onClose={close}
        />
      )}
      {open === 'discard' && (
        <DiscardDialog
          onClose={close}
          onDiscard={(reason) => {
            discard(reason)
            close()
          }}
        />
      )}
    </div>
  )
}
