import { useEffect, useState } from 'react'
import type { Standing } from '../api/types'
import { Button } from '../parts/Button'
import { t } from '../words/t'
import { isNarrowed, type Looking, type Show, shows } from './looking'
import { NarrowRow } from './NarrowRow'

interface Props {
  looking: Looking
  whole: Standing | undefined
  onChange: (looking: Looking) => void
}

const TYPING_MILLIS = 40

/** Finds rows by what they are called, how they stand, and where and what they are. */
export function FilterBar({ looking, whole, onChange }: Props) {
  const { text, show } = looking
  const [typed, setTyped] = useState(text)
  const [isOpen, setOpen] = useState(() => isNarrowed(looking))
  useEffect(() => {
    if (typed.trim() === text.trim()) return
    const timer = setTimeout(() => onChange({ ...looking, text: typed }), TYPING_MILLIS)
    return () => clearTimeout(timer)
  }, [typed, text, looking, onChange])
  const count: Partial<Record<Show, number>> = {
    FAIL: whole?.fail ?? 0,
    WATCH: whole?.watch ?? 0,
    NOT_JUDGED: whole?.notJudged ?? 0,
  }
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-x-2.5 gap-y-1.5 border-b border-rule px-2 py-[5px] text-ink2">
      <input
        type="search"
        aria-label={t('plant:search')}
        placeholder={t('plant:searchShort')}
        className="field h-[30px] w-0 min-w-[100px] flex-1"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <Button aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        {t('plant:narrow.open')}
      </Button>
      <div role="group" aria-label={t('plant:filter')} className="flex min-w-0 flex-wrap gap-x-2.5">
        {shows.map((key) => (
          <button
            key={key}
            type="button"
            aria-pressed={show === key}
            data-show={key}
            onClick={() => onChange({ ...looking, text: typed, show: key })}
            className={`cursor-pointer whitespace-nowrap ${show === key ? 'font-semibold text-plum underline underline-offset-4' : ''}`}
          >
            {count[key]} {t(`plant:shows.${key}`)}
          </button>
        ))}
      </div>
      {(isOpen || isNarrowed(looking)) && <NarrowRow looking={{ ...looking, text: typed }} onChange={onChange} />}
    </div>
  )
}
