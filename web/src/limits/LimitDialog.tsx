import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { LimitLine } from '../api/types'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { words } from '../words/en'
import { GiveMany } from './GiveMany'
import { LimitEditor } from './LimitEditor'

const text = words.limits
const keyOf = (line: LimitLine) => `${line.technique} ${line.resultId}`

interface Props {
  nodeId: string
  name: string
  /** Where one result is meant. */
  resultId?: string
  onClose: () => void
}

/** What is right for the results of a check, or of all checks beneath a node. */
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
    <Dialog title={text.title(name)} open wide onClose={onClose}>
      <Trouble error={lines.error} />
      <table className="ledger mb-4">
        <thead>
          <tr>
            <th>{text.results}</th>
            <th>{text.open}</th>
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
                {line.said === '' ? (
                  <span className="text-ink3">
                    {line.checks > line.unlimited
                      ? text.onChecks(line.checks - line.unlimited, line.checks)
                      : text.none}
                  </span>
                ) : (
                  line.said
                )}{' '}
                {line.originId !== null && (
                  <span className="text-[12px] text-ink3">
                    {line.originId === nodeId ? text.own : text.from(line.originName)}
                  </span>
                )}
              </td>
              <td className={line.unlimited > 0 ? 'font-semibold' : 'text-ink3'}>
                {text.unlimited(line.unlimited, line.checks)}
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
          <LimitEditor key={keyOf(chosen) + chosen.said} nodeId={nodeId} line={chosen} onDone={onClose} />
        </>
      )}
    </Dialog>
  )
}
