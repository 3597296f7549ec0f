import type { KeyboardEvent, MouseEvent } from 'react'
import type { PictureSpot, PictureView } from '../api/types'
import { type Counted, isPartly, PartlyShape } from '../parts/RollUpMark'
import { VerdictShape } from '../parts/VerdictMark'
import { t } from '../words/t'

/** A point that may be seen on a picture, and how the worst of its checks stands. */
export interface PicturedPoint extends Counted {
  id: string
  name: string
}

interface Props {
  picture: PictureView
  spots: readonly PictureSpot[]
  points: readonly PicturedPoint[]
  /** Height of the picture in the page; a small one is but a glance. */
  height: string
  chosenId?: string
  onSpot?: (pointId: string) => void
  onPlace?: (x: number, y: number) => void
  onNudge?: (pointId: string, dx: number, dy: number) => void
}

const arrows: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
const NUDGE = 0.01

/** A picture with each point where it is, by the shape of its verdict. */
export function MarkedPicture({ picture, spots, points, height, chosenId, onSpot, onPlace, onNudge }: Props) {
  const place = (event: MouseEvent<HTMLElement>) => {
    // By keyboard there is no place under a pointer: the mark comes into the middle, and the arrow keys move it.
    if (event.detail === 0) return onPlace?.(0.5, 0.5)
    const box = event.currentTarget.getBoundingClientRect()
    onPlace?.((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height)
  }
  const nudge = (event: KeyboardEvent, pointId: string) => {
    const by = arrows[event.key]
    if (!by || !onNudge) return
    event.preventDefault()
    onNudge(pointId, by[0] * NUDGE, by[1] * NUDGE)
  }
  return (
    <span className="relative inline-block max-w-full align-top">
      <img
        src={`/api/pictures/${picture.id}/image`}
        width={picture.width}
        height={picture.height}
        alt={picture.title || t('pictures:untitled')}
        className="block w-auto max-w-full border border-rule2 object-contain"
        style={{ maxHeight: height }}
      />
      {onPlace && (
        <button
          type="button"
          aria-label={t('pictures:markHere')}
          className="absolute inset-0 cursor-crosshair"
          onClick={place}
        />
      )}
      {spots.map((spot) => {
        const point = points.find((one) => one.id === spot.nodeId)
        if (!point) return null
        const look = `absolute flex -translate-x-1/2 -translate-y-1/2 items-center justify-center rounded-full bg-paper shadow-[0_0_0_1px_var(--rule2)] ${
          spot.nodeId === chosenId ? 'outline-2 outline-offset-2 outline-plum' : ''
        }`
        const at = { left: `${spot.x * 100}%`, top: `${spot.y * 100}%` }
        const shape = isPartly(point) ? (
          <PartlyShape pass={point.pass} notJudged={point.notJudged} size={onSpot ? 16 : 10} />
        ) : (
          <VerdictShape verdict={point.worst} size={onSpot ? 16 : 10} />
        )
        return onSpot ? (
          <button
            key={spot.nodeId}
            type="button"
            aria-label={`${point.name}: ${isPartly(point) ? t('plant:partly', { pass: point.pass, all: point.pass + point.notJudged }) : t(`common:verdict.${point.worst}`)}`}
            title={point.name}
            className={`${look} h-[26px] w-[26px] cursor-pointer`}
            style={at}
            onClick={() => onSpot(spot.nodeId)}
            onKeyDown={(event) => nudge(event, spot.nodeId)}
          >
            {shape}
          </button>
        ) : (
          <span key={spot.nodeId} title={point.name} className={`${look} h-[16px] w-[16px]`} style={at}>
            {shape}
          </span>
        )
      })}
    </span>
  )
}
