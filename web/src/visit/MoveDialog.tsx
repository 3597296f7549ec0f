import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { useCorrection } from '../reading/useCorrection'
const TARGETS = ['CLIENT', 'SITE', 'AREA', 'SYSTEM', 'ASSET']

interface Props {
  visitId: string
  /** Readings to be moved; none for the whole visit. */
  readingIds: string[]
  onClose: () => void
}

/** Moves readings to where they belong, after showing what would go where. */
export function MoveDialog({ visitId, readingIds, onClose }: Props) {
  const [wanted, setWanted] = useState('')
  const [target, setTarget] = useState<string | null>(null)
  const found = useQuery({
    ...queries.find(wanted.trim()),
    enabled: wanted.trim() !== '',
    placeholderData: (previous) => previous,
  })
  const correction = useCorrection()
  const plan = useQuery({ ...queries.movePlan(visitId, target ?? '', readingIds), enabled: target !== null })
  const move = (targetId: string, name: string, count: number) =>
    correction.mutate({
      run: () =>
        data(api.POST('/api/visits/{id}/move', { params: { path: { id: visitId } }, body: { targetId, readingIds } })),
      said: t('visits:move.done', { n: count, target: name }),
      then: onClose,
    })
  return (
    <Dialog title={t('visits:move.title')} open wide onClose={onClose}>
      <input
        aria-label={t('visits:move.search')}
        placeholder={t('visits:move.search')}
        className="field mb-2 w-full"
        autoFocus
        value={wanted}
        onChange={(event) => setWanted(event.target.value)}
      />
      <Trouble error={found.error ?? plan.error ?? correction.error} />
      <ul className="mb-3 max-h-[24vh] overflow-auto">
        {wanted.trim() !== '' &&
          found.data
            ?.filter((node) => TARGETS.includes(node.level))
            .map((node) => (
              <li key={node.id}>
                <button
                  type="button"
                  aria-pressed={target === node.id}
                  className={`flex min-h-[26px] w-full cursor-pointer items-center gap-2 px-1 py-1 text-left hover:bg-wash ${target === node.id ? 'bg-wash font-semibold' : ''}`}
                  onClick={() => setTarget(node.id)}
                >
                  {node.tag && <Tag text={node.tag} />} {node.name}{' '}
                  <span className="text-ink3">
                    {t(`common:level.${node.level}`)} {node.place}
                  </span>
                </button>
              </li>
            ))}
      </ul>
      {target !== null && plan.data && (
        <>
          <h3 className="mb-1 font-semibold">{t('visits:move.plan', { target: plan.data.target })}</h3>
          <table className="ledger mb-3">
            <thead>
              <tr>
                <th>{t('visits:move.from')}</th>
                <th>{t('visits:move.to')}</th>
                <th className="num">{t('visits:move.readings')}</th>
              </tr>
            </thead>
            <tbody>
              {plan.data.lines.map((line) => (
                <tr key={line.from}>
                  <td>{line.from}</td>
                  <td className={line.to ? '' : 'text-watch'}>{line.to || t('visits:move.tray')}</td>
                  <td className="num">{line.readings}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {plan.data.loose > 0 && <p className="mb-3">{t('visits:move.loose', { n: plan.data.loose })}</p>}
          <Button
            kind="main"
            disabled={correction.isPending}
            onClick={() =>
              move(
                target,
                plan.data.target,
                plan.data.lines.reduce((sum, line) => sum + line.readings, 0),
              )
            }
          >
            {t('visits:move.go', { n: plan.data.lines.reduce((sum, line) => sum + line.readings, 0) })}
          </Button>
        </>
      )}
    </Dialog>
  )
}
