import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'

interface Props {
  checkIds: string[]
  onOrder: (checkIds: string[]) => void
  onClose: () => void
}

/** In which order the areas are walked; the stops within each are put in order by themselves. */
export function ShortestWalk({ checkIds, onOrder, onClose }: Props) {
  const [areas, setAreas] = useState<string[]>([])
  const walk = useQuery({
    queryKey: ['outline', 'shortest', checkIds, areas],
    queryFn: () => data(api.POST('/api/routes/shortest-walk', { body: { checkIds, areas } })),
    placeholderData: (previous) => previous,
  })
  const found = walk.data?.areas ?? []
  const swap = (i: number, j: number) => {
    const ids = found.map((area) => area.id)
    const moving = ids[i]
    const other = ids[j]
    if (moving === undefined || other === undefined) return
    ids[i] = other
    ids[j] = moving
    setAreas(ids)
  }
  return (
    <Dialog title={t('routes:shortestTitle')} open onClose={onClose}>
      <p className="mb-3 text-ink2">{t('routes:shortestSay')}</p>
      <Trouble error={walk.error} />
      <table className="ledger mb-3">
        <tbody>
          {found.map((area, i) => (
            <tr key={area.id}>
              <td className="num w-8 text-ink3">{i + 1}</td>
              <td>{area.name}</td>
              <td className="num text-ink2">{t('routes:stops', { n: area.stops })}</td>
              <td className="num whitespace-nowrap">
                <Button
                  className="h-6 min-w-6"
                  aria-label={`${t('routes:up')} ${area.name}`}
                  disabled={i === 0}
                  onClick={() => swap(i, i - 1)}
                >
                  ↑
                </Button>
                <Button
                  className="h-6 min-w-6"
                  aria-label={`${t('routes:down')} ${area.name}`}
                  disabled={i === found.length - 1}
                  onClick={() => swap(i, i + 1)}
                >
                  ↓
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {walk.data && (
        <p className="mb-4 font-semibold">
          {t('routes:shortestGain', {
            before: walk.data.assetVisitsBefore,
            after: walk.data.assetVisits,
            gain: walk.data.assetVisitsBefore - walk.data.assetVisits,
          })}
        </p>
      )}
      <div className="flex gap-4">
        <Button
          kind="main"
          disabled={!walk.data || walk.isPlaceholderData}
          onClick={() => {
            if (walk.data) onOrder(walk.data.checkIds)
            onClose()
          }}
        >
          {t('routes:shortestDo')}
        </Button>
        <Button onClick={onClose}>{t('common:cancel')}</Button>
      </div>
    </Dialog>
  )
}
