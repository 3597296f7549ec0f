import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { LimitLine } from '../api/types'
import { refresh } from '../api/refresh'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { typedNumber } from '../units/format'
import { words } from '../words/en'

interface Boundaries {
  watch: string
  fail: string
}

/** Sets what is right for each result of a check. */
export function LimitDialog({ check, onClose }: { check: { checkId: string; point: string; check: string }; onClose: () => void }) {
  const client = useQueryClient()
  const lines: { data?: LimitLine[]; error: Error | null } = useQuery(queries.limits(check.checkId))
  const [typed, setTyped] = useState<Record<string, Boundaries>>({})
  const valuesOf = (line: LimitLine): Boundaries => typed[line.resultId] ?? { watch: line.watch?.toString() ?? '', fail: line.fail?.toString() ?? '' }
  const save = useMutation({
    mutationFn: async () => {
      for (const [resultId, values] of Object.entries(typed)) {
        await data(
          api.PUT('/api/checks/{checkId}/limits/{resultId}', {
            params: { path: { checkId: check.checkId, resultId } },
            body: { watch: typedNumber(values.watch), fail: typedNumber(values.fail) },
          }),
        )
      }
    },
    onSuccess: async () => {
      await refresh(client, 'limits', 'sheet', 'outline', 'trend', 'visit', 'today', 'preview')
      say(words.limits.saved)
      onClose()
    },
  })
  return (
    <Dialog title={`${words.limits.title}: ${check.point}, ${check.check}`} open onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          save.mutate()
        }}
      >
        <table className="ledger">
          <thead>
            <tr>
              <th />
              <th>{words.limits.watch}</th>
              <th>{words.limits.fail}</th>
            </tr>
          </thead>
          <tbody>
            {lines.data?.map((line, i) => (
              <tr key={line.resultId}>
                <td>
                  {line.name} <span className="text-ink3">{line.unit}</span>
                  {line.originId && line.originId !== check.checkId && <span className="block text-[12px] text-ink3">{words.limits.from(line.originName)}</span>}
                  {line.proposal && <Proposal line={line} onTake={(taken) => setTyped({ ...typed, [line.resultId]: taken })} />}
                </td>
                {(['watch', 'fail'] as const).map((which) => (
                  <td key={which}>
                    <input
                      aria-label={`${line.name}, ${words.limits[which]}`}
                      inputMode="decimal"
                      className="field w-24 text-right"
                      autoFocus={i === 0 && which === 'watch'}
                      value={valuesOf(line)[which]}
                      onChange={(event) => setTyped({ ...typed, [line.resultId]: { ...valuesOf(line), [which]: event.target.value } })}
                    />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        <p className="my-3 text-ink2">{words.limits.explain}</p>
        <Trouble error={lines.error ?? save.error} />
        <div className="flex gap-4">
          <Button kind="main" type="submit" disabled={save.isPending}>
            {words.common.save}
          </Button>
          <Button onClick={onClose}>{words.common.cancel}</Button>
        </div>
      </form>
    </Dialog>
  )
}

/** What a standard says of a machine with this nameplate: taken by a person, or not. */
function Proposal({ line, onTake }: { line: LimitLine; onTake: (boundaries: Boundaries) => void }) {
  const { proposal } = line
  if (!proposal) return null
  const text = (value: number | null) => value?.toString() ?? ''
  return (
    <span className="block text-[12px] text-ink2">
      {proposal.evidence}.{' '}
      <Button onClick={() => onTake({ watch: text(proposal.watch), fail: text(proposal.fail) })}>{words.limits.proposal(text(proposal.watch), text(proposal.fail))}</Button>
    </span>
  )
}
