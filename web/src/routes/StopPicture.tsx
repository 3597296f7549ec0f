import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { AddPicture } from '../pictures/AddPicture'
import { MarkedPicture } from '../pictures/MarkedPicture'
import { t } from '../words/t'
import { pointOf, type Stop } from './useStops'

interface Props {
  stop: Stop
  onChoose: (pictureId: string | null) => void
  onClose: () => void
}

/** Which picture the technician is shown at a stop; the mark of its point comes along. */
export function StopPicture({ stop, onChoose, onClose }: Props) {
  const point = pointOf(stop)
  const pictures = useQuery(queries.pictures(point))
  return (
    <Dialog
      title={t('routes:photoTitle', { place: `${stop.assetTag || stop.assetName} ${stop.point}` })}
      open
      wide
      onClose={onClose}
    >
      <Trouble error={pictures.error} />
      <div className="mb-4 flex flex-wrap gap-4">
        {pictures.data?.map((picture) => (
          <button
            key={picture.id}
            type="button"
            aria-pressed={picture.id === stop.pictureId}
            aria-label={t('pictures:open', { title: picture.title })}
            className={`cursor-pointer border-[3px] p-1 ${picture.id === stop.pictureId ? 'border-plum' : 'border-transparent hover:border-rule2'}`}
            onClick={() => onChoose(picture.id)}
          >
            <MarkedPicture
              picture={picture}
              spots={picture.spots}
              points={[{ id: point, name: stop.point, worst: 'NOT_JUDGED', pass: 0, notJudged: 0 }]}
              height="220px"
            />
            <span className="block text-left text-ink2">{picture.title}</span>
          </button>
        ))}
      </div>
      <div className="flex items-center gap-4">
        {stop.pictureId && (
          <Button kind="second" onClick={() => onChoose(null)}>
            {t('routes:photoNone')}
          </Button>
        )}
        <AddPicture nodeId={point} onAdded={(picture) => onChoose(picture.id)} />
        <Button onClick={onClose}>{t('common:cancel')}</Button>
      </div>
    </Dialog>
  )
}
