import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { PictureSpot, PictureView } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { isPartly, PartlyShape } from '../parts/RollUpMark'
import { VerdictShape } from '../parts/VerdictMark'
import { dayAndTime } from '../units/format'
import { t } from '../words/t'
import { MarkedPicture, type PicturedPoint } from './MarkedPicture'
const within = (share: number) => Math.min(1, Math.max(0, share))

interface Props {
  picture: PictureView
  points: PicturedPoint[]
  mayEdit: boolean
  onPoint: (pointId: string) => void
  onClose: () => void
}

/** One picture, large: where each point is, and where to mark the ones that are not on it yet. */
export function PictureDialog({ picture, points, mayEdit, onPoint, onClose }: Props) {
  const client = useQueryClient()
  const [title, setTitle] = useState(picture.title)
  const [spots, setSpots] = useState<PictureSpot[]>(picture.spots)
  const [markingId, setMarkingId] = useState<string | null>(null)
  const marking = points.find((point) => point.id === markingId)
  const isChanged = title !== picture.title || JSON.stringify(spots) !== JSON.stringify(picture.spots)
  const path = { params: { path: { id: picture.id } } }
  const save = useMutation({
    mutationFn: () =>
      data(api.PUT('/api/pictures/{id}', { ...path, body: { title, spots, version: picture.version } })),
    onSuccess: async () => {
      await changed(client, 'pictures')
      onClose()
    },
  })
  const bringBack = useMutation({
    mutationFn: () => data(api.POST('/api/pictures/{id}/bring-back', path)),
    onSuccess: () => changed(client, 'pictures'),
  })
  const remove = useMutation({
    mutationFn: () => data(api.DELETE('/api/pictures/{id}', path)),
    onSuccess: async () => {
      await changed(client, 'pictures')
      say(t('pictures:removed'), () => bringBack.mutate())
      onClose()
    },
  })
  const put = (spot: PictureSpot) =>
    setSpots((before) => [...before.filter((other) => other.nodeId !== spot.nodeId), spot])
  const place = (x: number, y: number) => {
    if (!markingId) return
    put({ nodeId: markingId, x: within(x), y: within(y) })
    setMarkingId(
      points.find((point) => point.id !== markingId && !spots.some((spot) => spot.nodeId === point.id))?.id ?? null,
    )
  }
  const nudge = (pointId: string, dx: number, dy: number) => {
    const spot = spots.find((one) => one.nodeId === pointId)
    if (spot) put({ ...spot, x: within(spot.x + dx), y: within(spot.y + dy) })
  }
  return (
    <Dialog title={picture.title || t('pictures:untitled')} open wide onClose={onClose}>
      <div className="flex items-start gap-5 max-lg:flex-col">
        <MarkedPicture
          picture={picture}
          spots={spots}
          points={points}
          height="62vh"
          chosenId={markingId ?? undefined}
          onSpot={mayEdit ? setMarkingId : onPoint}
          onPlace={marking ? place : undefined}
          onNudge={mayEdit ? nudge : undefined}
        />
        <div className="w-[230px] shrink-0">
          <h3 className="font-semibold">{t('pictures:points')}</h3>
          {points.length === 0 && <p className="text-ink2">{t('pictures:none')}</p>}
          <ul className="mb-3">
            {points.map((point) => {
              const isMarked = spots.some((spot) => spot.nodeId === point.id)
              return (
                <li
                  key={point.id}
                  className={`border-b border-rule py-1 pl-1 ${point.id === markingId ? 'bg-wash' : ''}`}
                >
                  <button
                    type="button"
                    className="flex min-h-[26px] cursor-pointer items-center gap-1.5 text-left hover:underline"
                    onClick={() => onPoint(point.id)}
                  >
                    {isPartly(point) ? (
                      <PartlyShape pass={point.pass} notJudged={point.notJudged} />
                    ) : (
                      <VerdictShape verdict={point.worst} />
                    )}{' '}
                    {point.name}
                  </button>
                  {mayEdit && (
                    <span className="flex gap-3 pl-5 text-[13px]">
                      <Button className="min-h-[26px]" onClick={() => setMarkingId(point.id)}>
                        {isMarked ? t('pictures:markAgain') : t('pictures:mark')}
                      </Button>
                      {isMarked && (
                        <Button
                          className="min-h-[26px]"
                          onClick={() => setSpots(spots.filter((spot) => spot.nodeId !== point.id))}
                        >
                          {t('pictures:unmark')}
                        </Button>
                      )}
                    </span>
                  )}
                </li>
              )
            })}
          </ul>
          {marking && <p className="mb-3 text-plum">{t('pictures:marking', { point: marking.name })}</p>}
          {mayEdit && (
            <input
              aria-label={t('pictures:title')}
              className="field mb-2 w-full"
              value={title}
              onChange={(event) => setTitle(event.target.value)}
            />
          )}
          <p className="mb-3 text-[12px] text-ink3">
            {t('pictures:by', { who: picture.by, when: dayAndTime(picture.at) })}
          </p>
          <Trouble error={save.error ?? remove.error} />
          <div className="flex flex-wrap gap-4">
            {mayEdit && (
              <Button kind="main" disabled={!isChanged || save.isPending} onClick={() => save.mutate()}>
                {t('common:save')}
              </Button>
            )}
            <Button onClick={onClose}>{isChanged ? t('common:cancel') : t('common:close')}</Button>
            {mayEdit && (
              <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
                {t('pictures:remove')}
              </Button>
            )}
          </div>
        </div>
      </div>
    </Dialog>
  )
}
