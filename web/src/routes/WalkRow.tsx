import { Button } from '../parts/Button'
import { Tag } from '../parts/Tag'
import { t } from '../words/t'
import type { Stop } from './useStops'

interface Props {
  stop: Stop
  number: number
  isFirstOfAsset: boolean
  isLast: boolean
  onDragStart: () => void
  onDragEnd: () => void
  onMove: (by: -1 | 1) => void
  onInstruction: (text: string) => void
  onPicture: () => void
  onDrop: () => void
}

/** One stop: where it is, what is said and shown there, and its place in the order. */
export function WalkRow({
  stop,
  number,
  isFirstOfAsset,
  isLast,
  onDragStart,
  onDragEnd,
  onMove,
  onInstruction,
  onPicture,
  onDrop,
}: Props) {
  return (
    <>
      <td className="num w-8 cursor-grab text-ink3" draggable onDragStart={onDragStart} onDragEnd={onDragEnd}>
        {number}
      </td>
      <td className="w-24">{isFirstOfAsset && <Tag text={stop.assetTag} />}</td>
      <td className="w-full max-w-0">
        <span className="flex items-center gap-3">
          <span className="whitespace-nowrap">
            {stop.point} <span className="text-ink2">{stop.check}</span>
          </span>
          <input
            aria-label={`${t('routes:instruction')} ${number}`}
            placeholder={t('routes:instruction')}
            title={stop.instruction}
            className="min-w-0 flex-1 border-b border-transparent bg-transparent px-1 text-ink2 placeholder:text-transparent hover:placeholder:text-ink3 focus:border-rule2 focus:placeholder:text-ink3"
            value={stop.instruction}
            maxLength={500}
            onChange={(event) => onInstruction(event.target.value)}
          />
        </span>
      </td>
      <td className="num whitespace-nowrap">
        <span className="inline-flex items-center gap-1 align-middle">
          <button
            type="button"
            aria-label={`${t('routes:photo')} ${number}`}
            className="mr-2 inline-flex h-6 cursor-pointer items-center text-plum hover:underline"
            onClick={onPicture}
          >
            {stop.pictureId ? (
              <img
                src={`/api/pictures/${stop.pictureId}/image`}
                alt=""
                className="h-[22px] w-8 border border-rule2 object-cover"
              />
            ) : (
              t('routes:photo')
            )}
          </button>
          <Button
            className="h-6 min-w-6"
            aria-label={`${t('routes:up')} ${number}`}
            disabled={number === 1}
            onClick={() => onMove(-1)}
          >
            ↑
          </Button>
          <Button
            className="h-6 min-w-6"
            aria-label={`${t('routes:down')} ${number}`}
            disabled={isLast}
            onClick={() => onMove(1)}
          >
            ↓
          </Button>
          <Button className="h-6 min-w-6" aria-label={`${t('routes:drop')} ${number}`} onClick={onDrop}>
            ×
          </Button>
        </span>
      </td>
    </>
  )
}
