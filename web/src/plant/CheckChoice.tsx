import { type KeyboardEvent, useId, useState } from 'react'
import type { TechniqueView } from '../api/types'
import { t } from '../words/t'
import { matching, type OfferedCheck } from './checkMatch'
import type { NewCheck } from './outline'

interface Props {
  label: string
  techniques: TechniqueView[]
  onCommit: (check: NewCheck) => void
  /** Keys that mean something to the row: Escape, Tab. */
  onKeyDown: (event: KeyboardEvent) => void
}

const SHOWN = 9

/**
 * A check is chosen by typing the beginning of its name, or with the arrows. What was typed counts for this one alone,
 * however fast the next follows: a
 * list of the browser's own goes on with what was typed before.
 */
export function CheckChoice({ label, techniques, onCommit, onKeyDown }: Props) {
  const [text, setText] = useState('')
  const [at, setAt] = useState(0)
  const id = useId()
  const all: OfferedCheck[] = techniques.flatMap((technique) =>
    technique.presets.map(({ value, name }) => ({ check: { technique: technique.id, preset: value }, name })),
  )
  const found = matching(all, text)
  const chosen = text === '' ? all[at] : found[at]
  const first = Math.max(0, Math.min(at - SHOWN + 2, found.length - SHOWN))
  const onKey = (event: KeyboardEvent) => {
    if (event.key === 'Enter' && chosen) {
      onCommit(chosen.check)
      setText('')
      setAt(all.indexOf(chosen))
    } else if (event.key === 'ArrowDown') setAt(Math.min(found.length - 1, at + 1))
    else if (event.key === 'ArrowUp') setAt(Math.max(0, at - 1))
    else if (event.key !== 'Enter') return onKeyDown(event)
    event.preventDefault()
    event.stopPropagation()
  }
  return (
    <span className="relative min-w-0 flex-1">
      <input
        aria-label={label}
        role="combobox"
        aria-expanded="true"
        aria-controls={id}
        aria-activedescendant={chosen ? `${id} ${found.indexOf(chosen)}` : undefined}
        className="field w-full"
        placeholder={chosen?.name ?? label}
        autoFocus
        value={text}
        onChange={(event) => {
          setText(event.target.value)
          setAt(0)
        }}
        onKeyDown={onKey}
      />
      <div
        id={id}
        role="listbox"
        aria-label={t('plant:checkChoices')}
        className="absolute top-full right-0 left-0 z-20 border border-rule2 bg-paper"
      >
        {found.slice(first, first + SHOWN).map((offered, i) => (
          <div
            key={`${offered.check.technique} ${offered.check.preset}`}
            id={`${id} ${first + i}`}
            role="option"
            tabIndex={-1}
            aria-selected={offered === chosen}
            className={`px-2 py-0.5 ${offered === chosen ? 'bg-wash font-semibold text-plum' : ''}`}
            onMouseDown={(event) => {
              event.preventDefault()
              onCommit(offered.check)
              setText('')
              setAt(all.indexOf(offered))
            }}
          >
            {offered.name}{' '}
            <span className="text-ink3">
              {techniques.find((technique) => technique.id === offered.check.technique)?.name}
            </span>
          </div>
        ))}
        {found.length === 0 && <div className="px-2 py-0.5 text-ink2">{t('plant:noSuchCheck', { typed: text })}</div>}
      </div>
    </span>
  )
}
