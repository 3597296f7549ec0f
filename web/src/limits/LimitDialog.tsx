import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { LimitLine } from '../api/types'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { GiveMany } from './GiveMany'
import { LimitEditor } from './LimitEditor'
import { limitWords } from './limitWords'

const keyOf = (line: LimitLine) => `${line.technique} ${line.resultId}`

interface Props {
  nodeId: string
  name: string
  /** Where one result is meant. */
  resultId?: string
  onClose: () => void
}

/** What is right for the results of a check, or of all checks below a node. */
export function LimitDialog({ nodeId, name, resultId, onClose }: Props) {
  const lines = useQuery(queries.limits(nodeId))
  const [chosenKey, setChosenKey] = useState<string | null>(null)
  const all = lines.data ?? []
  const chosen =
    all.find((line) => keyOf(line) === chosenKey) ??
    all.find((line) => line.resultId === resultId) ??
    all.find((line) => line.unlimited > 0) ??
    all[0]
  return (
    <Dialog title={t('limits:title', { name })} open wide onClose={onClose}>
      <Trouble error={lines.error} />
      <table className="ledger mb-4">
        <thead>
          <tr>
            <th>{t('limits:results')}</th>
            <th>{t('limits:open')}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {all.map((line) => (
            <tr
              key={keyOf(line)}
              aria-current={line === chosen ? 'true' : undefined}
              className={`cursor-pointer ${line === chosen ? 'bg-wash shadow-[inset_3px_0_0_var(--plum)]' : 'hover:bg-paper2'}`}
              onClick={() => setChosenKey(keyOf(line))}
            >
              <td>
                <button
                  type="button"
                  className="cursor-pointer font-semibold"
                  onClick={() => setChosenKey(keyOf(line))}
                >
                  {line.name}
                </button>{' '}
                <span className="text-ink3">{line.unit}</span>
              </td>
              <td>
                {line.limit === null ? (
                  <span className="text-ink3">
                    {line.checks > line.unlimited
                      ? t('limits:onChecks', {
                          n: line.checks - line.unlimited,
                          all: line.checks,
                          rest: line.unlimited,
                        })
                      : t('limits:none')}
                  </span>
                ) : (
                  limitWords(line.limit)
                )}{' '}
                {line.originId !== null && (
                  <span className="text-[12px] text-ink3">
                    {line.originId === nodeId ? t('limits:own') : t('limits:from', { name: line.originName })}
                  </span>
                )}
              </td>
              <td className={line.unlimited > 0 ? 'font-semibold' : 'text-ink3'}>
                {t('limits:unlimited', { n: line.unlimited, all: line.checks })}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {chosen && (
        <>
          {chosen.checks > 1 && chosen.unlimited > 0 && (
            <GiveMany key={`many ${keyOf(chosen)}`} nodeId={nodeId} line={chosen} />
          )}
          <LimitEditor
            key={keyOf(chosen) + JSON.stringify(chosen.limit)}
            nodeId={nodeId}
            line={chosen}
            onDone={onClose}
          />
        </>
      )}
    </Dialog>
  )
}
