import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { CheckLine } from '../api/types'
import { Trouble } from '../parts/Trouble'
import { words } from '../words/en'
import { AddPicture } from './AddPicture'
import { MarkedPicture, type PicturedPoint } from './MarkedPicture'
import { PictureDialog } from './PictureDialog'

const worstFirst = ['FAIL', 'WATCH', 'PASS', 'NOT_JUDGED'] as const

function pointsOf(checks: CheckLine[]): PicturedPoint[] {
  const points = new Map<string, PicturedPoint>()
  for (const check of checks) {
    const known = points.get(check.pointId)
    const isWorse = known === undefined || worstFirst.indexOf(check.verdict) < worstFirst.indexOf(known.verdict)
    points.set(check.pointId, { id: check.pointId, name: check.point, verdict: isWorse ? check.verdict : known.verdict })
  }
  return [...points.values()]
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
        <button key={picture.id} type="button" aria-label={words.pictures.open(picture.title)} title={picture.title} className="cursor-pointer" onClick={() => setOpenId(picture.id)}>
          <MarkedPicture picture={picture} spots={picture.spots} points={points} height="104px" />
        </button>
      ))}
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
