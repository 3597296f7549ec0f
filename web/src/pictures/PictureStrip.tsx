import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { changed } from '../api/subjects'
import type { CheckLine } from '../api/types'
import { Removed } from '../parts/Removed'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { AddPicture } from './AddPicture'
import { MarkedPicture, type PicturedPoint } from './MarkedPicture'
import { PictureDialog } from './PictureDialog'

const worstFirst = ['FAIL', 'WATCH', 'PASS', 'NOT_JUDGED'] as const

function pointsOf(checks: CheckLine[]): PicturedPoint[] {
  const points = new Map<string, PicturedPoint>()
  for (const check of checks) {
    const known = points.get(check.pointId) ?? {
      id: check.pointId,
      name: check.point,
      worst: check.verdict,
      pass: 0,
      notJudged: 0,
    }
    const isWorse = worstFirst.indexOf(check.verdict) < worstFirst.indexOf(known.worst)
    points.set(check.pointId, {
      ...known,
      worst: isWorse ? check.verdict : known.worst,
      pass: known.pass + (check.verdict === 'PASS' ? 1 : 0),
      notJudged: known.notJudged + (check.verdict === 'NOT_JUDGED' ? 1 : 0),
    })
  }
  return [...points.values()]
}

function RemovedPictures({ nodeId }: { nodeId: string }) {
  const client = useQueryClient()
  const removed = useQuery(queries.removedPictures(nodeId))
  const bringBack = async (id: string) => {
    await data(api.POST('/api/pictures/{id}/bring-back', { params: { path: { id } } }))
    await changed(client, 'pictures')
  }
  return (
    <Removed
      things={removed.data?.map((picture) => ({ id: picture.id, name: picture.title || t('pictures:untitled') }))}
      onBringBack={bringBack}
    />
  )
}

interface Props {
  nodeId: string
  checks: CheckLine[]
  mayEdit: boolean
  onPoint: (pointId: string) => void
}

/** The pictures of a thing at a glance, each point on them as it stands; one of them opened by a click. */
export function PictureStrip({ nodeId, checks, mayEdit, onPoint }: Props) {
  const pictures = useQuery(queries.pictures(nodeId))
  const [openId, setOpenId] = useState<string | null>(null)
  const points = pointsOf(checks)
  const open = pictures.data?.find((picture) => picture.id === openId)
  return (
    <div className="mb-3 flex flex-wrap items-end gap-3">
      <Trouble error={pictures.error} />
      {pictures.data?.map((picture) => (
        <button
          key={picture.id}
          type="button"
          aria-label={t('pictures:open', { title: picture.title })}
          title={picture.title}
          className="cursor-pointer"
          onClick={() => setOpenId(picture.id)}
        >
          <MarkedPicture picture={picture} spots={picture.spots} points={points} height="104px" />
        </button>
      ))}
      {mayEdit && <RemovedPictures nodeId={nodeId} />}
      {mayEdit && <AddPicture nodeId={nodeId} onAdded={(picture) => setOpenId(picture.id)} />}
      {open && (
        <PictureDialog
          key={`${open.id} ${open.version}`}
          picture={open}
          points={points}
          mayEdit={mayEdit}
          onPoint={(pointId) => {
            setOpenId(null)
            onPoint(pointId)
          }}
          onClose={() => setOpenId(null)}
        />
      )}
    </div>
  )
}
