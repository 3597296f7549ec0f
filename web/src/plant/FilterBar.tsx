import { useEffect, useState } from 'react'
import type { OutlineFilter, Standing } from '../api/types'
import { words } from '../words/en'

/** What can be chosen besides the text; one at a time. */
export type Show = 'all' | 'FAIL' | 'WATCH' | 'NOT_JUDGED' | 'never' | 'due'

export const shows: Show[] = ['all', 'FAIL', 'WATCH', 'NOT_JUDGED', 'never', 'due']

export function filterOf(text: string | undefined, show: Show): OutlineFilter {
  return {
    text: text?.trim() ? text.trim() : null,
    verdict: show === 'all' || show === 'never' || show === 'due' ? null : show,
    neverMeasured: show === 'never' ? true : null,
    due: show === 'due' ? true : null,
    technique: null,
    assetClass: null,
  }
}

interface Props {
  text: string
  show: Show
  whole: Standing | undefined
  onChange: (text: string, show: Show) => void
}

const TYPING_MILLIS = 40

/** Finds rows by what they are called and how they stand. */
export function FilterBar({ text, show, whole, onChange }: Props) {
  const [typed, setTyped] = useState(text)
  useEffect(() => {
    if (typed.trim() === text.trim()) return
    const timer = setTimeout(() => onChange(typed, show), TYPING_MILLIS)
    return () => clearTimeout(timer)
  }, [typed, text, show, onChange])
  const count: Record<Show, number | null> = {
    all: null,
    FAIL: whole?.fail ?? 0,
    WATCH: whole?.watch ?? 0,
    NOT_JUDGED: whole?.notJudged ?? 0,
    never: null,
    due: null,
  }
  return (
    <>
      <input
        type="search"
        aria-label={words.plant.search}
        placeholder={words.plant.search}
        className="field h-[30px] w-[158px]"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <div role="group" aria-label={words.plant.filter} className="flex min-w-0 flex-1 gap-2.5">
        {shows.map((key) => (
          <button
            key={key}
            type="button"
            aria-pressed={show === key}
            onClick={() => onChange(typed, key)}
            className={`cursor-pointer whitespace-nowrap ${show === key ? 'font-semibold text-plum underline underline-offset-4' : ''}`}
          >
            {count[key] !== null && count[key]} {words.plant.shows[key]}
          </button>
        ))}
      </div>
    </>
  )
}
