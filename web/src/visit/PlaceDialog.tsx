import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { FoundNode } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { noFilter } from '../plant/looking'
import { t } from '../words/t'
const MOST_SHOWN = 60
const HOLDERS = ['ASSET', 'PART', 'POINT']

interface Props {
  technique: string
  onClose: () => void
  onPlace: (checkId: string) => void
  onNewCheck: (nodeId: string, point: string | null) => void
}

/** Chooses a check of the same technique, or makes one where there is none yet. */
export function PlaceDialog({ technique, onClose, onPlace, onNewCheck }: Props) {
  const [wanted, setWanted] = useState('')
  const [making, setMaking] = useState(false)
  const found = useQuery({
    ...queries.checks({ ...noFilter, text: wanted.trim() || null, technique }),
    placeholderData: (previous) => previous,
  })
  return (
    <Dialog title={making ? t('visits:newCheck.open') : t('visits:sheet.chooseCheck')} open onClose={onClose}>
      {making ? (
        <NewCheck onNewCheck={onNewCheck} />
      ) : (
        <>
          <input
            aria-label={t('visits:sheet.chooseCheck')}
            className="field mb-2 w-full"
            autoFocus
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
          />
          <Trouble error={found.error} />
          <ul className="max-h-[46vh] overflow-auto">
            {found.data?.checks.slice(0, MOST_SHOWN).map((check) => (
              <li key={check.id}>
                <button
                  type="button"
                  className="flex w-full cursor-pointer items-center gap-2 px-1 py-1 text-left hover:bg-wash"
                  onClick={() => onPlace(check.id)}
                >
                  <Tag text={check.assetTag} /> {check.point}, {check.check}
                </button>
              </li>
            ))}
          </ul>
          {found.data && found.data.all > MOST_SHOWN && (
            <p className="mt-2 text-ink3">{t('visits:sheet.moreChecks', { n: found.data.all - MOST_SHOWN })}</p>
          )}
          <p className="mt-3">
            <Button onClick={() => setMaking(true)}>{t('visits:newCheck.open')}</Button>
          </p>
        </>
      )}
    </Dialog>
  )
}

function NewCheck({ onNewCheck }: { onNewCheck: (nodeId: string, point: string | null) => void }) {
  const [wanted, setWanted] = useState('')
  const [node, setNode] = useState<FoundNode | null>(null)
  const [point, setPoint] = useState('')
  const found = useQuery({
    ...queries.find(wanted.trim()),
    enabled: wanted.trim() !== '',
    placeholderData: (previous) => previous,
  })
  const needsPoint = node !== null && node.level !== 'POINT'
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        if (node) onNewCheck(node.id, needsPoint ? point : null)
      }}
    >
      <input
        aria-label={t('visits:newCheck.search')}
        placeholder={t('visits:newCheck.search')}
        className="field mb-2 w-full"
        autoFocus
        value={wanted}
        onChange={(event) => setWanted(event.target.value)}
      />
      <Trouble error={found.error} />
      <ul className="mb-3 max-h-[30vh] overflow-auto">
        {found.data
          ?.filter((one) => HOLDERS.includes(one.level))
          .map((one) => (
            <li key={one.id}>
              <button
                type="button"
                aria-pressed={node?.id === one.id}
                className={`flex min-h-[26px] w-full cursor-pointer items-center gap-2 px-1 py-1 text-left hover:bg-wash ${node?.id === one.id ? 'bg-wash font-semibold' : ''}`}
                onClick={() => setNode(one)}
              >
                {one.tag && <Tag text={one.tag} />} {one.name} <span className="text-ink3">{one.place}</span>
              </button>
            </li>
          ))}
      </ul>
      {needsPoint && (
        <label className="mb-3 flex items-center gap-3">
          {t('visits:newCheck.point')}
          <input className="field flex-1" value={point} onChange={(event) => setPoint(event.target.value)} />
        </label>
      )}
      <Button kind="main" type="submit" disabled={!node || (needsPoint && !point.trim())}>
        {t('visits:newCheck.go')}
      </Button>
    </form>
  )
}
