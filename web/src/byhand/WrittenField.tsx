import type { KeyboardEvent } from 'react'
import type { HandStop } from '../api/types'
import { unitText } from '../units/format'
import { t } from '../words/t'

interface Props {
  stop: HandStop
  isFirst: boolean
  label: string
  value: string
  /** That a bare number is in. */
  unit: string
  onChange: (value: string, unit: string) => void
}

/** Enter goes to the next stop's field. */
function toNext(event: KeyboardEvent<HTMLElement>) {
  if (event.key !== 'Enter' || event.shiftKey) return
  event.preventDefault()
  const fields = [...document.querySelectorAll<HTMLElement>('[data-written]')]
  fields[fields.indexOf(event.currentTarget) + 1]?.focus()
}

/** A number with its unit, yes or no, or words. */
export function WrittenField({ stop, isFirst, label, value, unit, onChange: onWritten }: Props) {
  const onChange = (text: string) => onWritten(text, unit)
  if (stop.form === 'YES_OR_NO') return <YesOrNo isFirst={isFirst} label={label} value={value} onChange={onChange} />
  if (stop.form === 'WORDS') {
    return (
      <textarea
        data-written
        autoFocus={isFirst}
        aria-label={label}
        rows={2}
        maxLength={4000}
        className="field block h-auto w-64"
        value={value}
        onKeyDown={toNext}
        onChange={(event) => onChange(event.target.value)}
      />
    )
  }
  return (
    <span className="flex items-center gap-2">
      <input
        data-written
        autoFocus={isFirst}
        aria-label={label}
        inputMode="decimal"
        autoComplete="off"
        className="field w-28 text-right"
        value={value}
        onKeyDown={toNext}
        onChange={(event) => onChange(event.target.value)}
      />
      <span className="text-ink2">{unitText(unit)}</span>
    </span>
  )
}

type AnswerProps = Pick<Props, 'isFirst' | 'label' | 'value'> & { onChange: (value: string) => void }

function YesOrNo({ isFirst, label, value, onChange }: AnswerProps) {
  const answers: [string, string][] = [
    ['yes', t('byHand:yes')],
    ['no', t('byHand:no')],
  ]
  return (
    <span role="radiogroup" aria-label={label} className="flex gap-4">
      {answers.map(([key, said], at) => (
        <label key={key} className="flex min-h-[26px] cursor-pointer items-center gap-1.5">
          <input
            type="radio"
            className="h-4 w-4 accent-plum"
            autoFocus={isFirst && at === 0}
            name={label}
            data-written={at === 0 ? '' : undefined}
            checked={value === key}
            onKeyDown={toNext}
            onChange={() => onChange(key)}
          />
          {said}
        </label>
      ))}
    </span>
  )
}
