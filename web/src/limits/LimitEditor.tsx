import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { noLimit } from '../api/queries/limits'
import type { LimitForm, LimitLine } from '../api/types'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { UnitField } from '../parts/UnitField'
import { DayField as Day } from '../parts/DateField'
import { momentOf, wallOf } from '../units/times'
import { useTimes } from '../units/useTimes'
import { t } from '../words/t'
import { HistoryLook } from './HistoryLook'
import { limitWords } from './limitWords'
import { Revisions } from './Revisions'
import { RuleFields } from './RuleFields'
import { useLimitSaid } from './useLimitSaid'
import { freshLimit, freshRule, limitOf, type TypedLimit, typedLimit } from './ruleForm'

/** From when on a limit holds. */
type Since = 'now' | 'day' | 'ever'

interface Saying {
  limit: LimitForm
  isInherited: boolean
}

/** What is right for one result: typed, looked at on the history, and set for a time. */
export function LimitEditor({ nodeId, line, onDone }: { nodeId: string; line: LimitLine; onDone: () => void }) {
  const said = useLimitSaid()
  const [typed, setTyped] = useState<TypedLimit>(
    line.limit ? typedLimit(line.limit) : freshLimit(line.sense === 'HIGHER_IS_WORSE' ? 'ABOVE' : 'BELOW', line.unit),
  )
  const [since, setSince] = useState<Since>(line.limit === null ? 'ever' : 'now')
  // The preview is of the moment the dialog was opened; set, it holds from the click on.
  const [openedAt] = useState(() => new Date().toISOString())
  const [fromDay, setFromDay] = useState('')
  const [untilDay, setUntilDay] = useState('')
  const limit = limitOf(typed)
  const { zone } = useTimes()
  const midnight = (day: string) => momentOf(wallOf(day, zone), zone)
  const fromAt = (now: string) =>
    since === 'ever' ? null : since === 'now' ? now : fromDay === '' ? null : midnight(fromDay)
  const until = since !== 'day' || untilDay === '' ? null : midnight(untilDay)
  const put = useMutation({
    mutationFn: (saying: Saying) =>
      data(
        api.PUT('/api/nodes/{nodeId}/limits/{technique}/{resultId}', {
          params: { path: { nodeId, technique: line.technique, resultId: line.resultId } },
          body: { ...saying, from: fromAt(new Date().toISOString()), until },
        }),
      ),
    onSuccess: async (committed) => {
      await said(t('limits:saved'), committed.changeId)
      onDone()
    },
  })
  const isOwn = line.originId === nodeId
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        if (limit) put.mutate({ limit, isInherited: false })
      }}
    >
      <Proposals line={line} onTake={(taken) => setTyped(typedLimit(taken))} />
      {typed.rules.map((rule, i) => (
        <RuleFields
          key={i}
          rule={rule}
          number={i + 1}
          unit={line.unit}
          onChange={(changed) =>
            setTyped({ ...typed, rules: typed.rules.map((one, at) => (at === i ? changed : one)) })
          }
          onRemove={
            typed.rules.length === 1
              ? undefined
              : () => setTyped({ ...typed, rules: typed.rules.filter((_, at) => at !== i) })
          }
        />
      ))}
      <p className="mb-3 flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <Button onClick={() => setTyped({ ...typed, rules: [...typed.rules, freshRule('BASELINE')] })}>
          {t('limits:addRule')}
        </Button>
        {typed.rules.length > 1 && <span className="text-ink2">{t('limits:worst')}</span>}
        <label className="flex items-baseline gap-2" title={t('limits:hysteresisSay')}>
          {t('limits:hysteresis')}
          <UnitField
            label={t('limits:hysteresis')}
            value={typed.hysteresis}
            unit={line.unit}
            isDifference
            onChange={(hysteresis) => setTyped({ ...typed, hysteresis })}
          />
          <span className="text-ink2">{line.unit}</span>
        </label>
        <label className="flex items-baseline gap-2">
          <input
            type="checkbox"
            checked={typed.boundaryIsPast}
            onChange={(event) => setTyped({ ...typed, boundaryIsPast: event.target.checked })}
          />
          {t('limits:boundaryIsPast')}
        </label>
      </p>
      <fieldset className="mb-3">
        <legend className="text-[12px] text-ink2">{t('limits:since')}</legend>
        {(['now', 'day', 'ever'] as const).map((choice) => (
          <label key={choice} className="mr-4 inline-flex min-h-[24px] items-center gap-1.5">
            <input type="radio" name="since" checked={since === choice} onChange={() => setSince(choice)} />
            {choice === 'now' ? t('limits:sinceNow') : choice === 'day' ? t('limits:sinceDay') : t('limits:sinceEver')}
          </label>
        ))}
        {since === 'day' && (
          <p className="mt-1 flex gap-4">
            <DayField label={t('limits:day')} value={fromDay} onChange={setFromDay} />
            <DayField label={t('limits:until')} value={untilDay} onChange={setUntilDay} />
          </p>
        )}
      </fieldset>
      <Trouble error={put.error} />
      <div className="flex items-center gap-4">
        <Button
          kind="main"
          type="submit"
          disabled={put.isPending || limit === null || (since === 'day' && fromDay === '')}
        >
          {t('limits:save')}
        </Button>
        {isOwn && (
          <Button onClick={() => put.mutate({ limit: noLimit, isInherited: true })}>{t('limits:inherit')}</Button>
        )}
        {line.limit !== null && (
          <Button onClick={() => put.mutate({ limit: noLimit, isInherited: false })}>{t('limits:noLimit')}</Button>
        )}
        <span className="text-ink2">
          {typed.boundaryIsPast ? t('limits:explain.past') : t('limits:explain.within')}
        </span>
      </div>
      <HistoryLook nodeId={nodeId} line={line} limit={limit} from={fromAt(openedAt)} until={until} />
      <Revisions revisions={line.revisions} />
    </form>
  )
}

function DayField({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <label className="flex flex-col text-[12px] text-ink2">
      {label}
      <Day label={label} value={value} onChange={onChange} />
    </label>
  )
}

/** What a standard or the history says: taken by a person, or not. */
function Proposals({ line, onTake }: { line: LimitLine; onTake: (limit: LimitForm) => void }) {
  if (line.proposals.length === 0 && line.wanting === '') return null
  return (
    <ul className="mb-3" aria-label={t('limits:proposals')}>
      {line.proposals.map((proposal) => (
        <li key={proposal.evidence}>
          <span className="font-semibold">{limitWords(proposal.limit)}</span>{' '}
          <span className="text-ink2">{proposal.evidence}.</span>{' '}
          <Button onClick={() => onTake(proposal.limit)}>{t('limits:take')}</Button>
        </li>
      ))}
      {line.wanting !== '' && <li className="text-ink2">{line.wanting}</li>}
    </ul>
  )
}
