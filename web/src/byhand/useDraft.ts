import { useEffect, useState } from 'react'
import { unitText } from '../units/format'

/** What was written at one stop. */
export interface Entry {
  /** Of the reading, so that sending it again writes nothing twice. */
  id: string
  written: string
  /** That stood beside the field while it was written: a number without one is in it, whatever is chosen later. */
  unit?: string
  note: string
  /** Pictures as the browser holds them, base64. */
  photos: string[]
  at: string
  /** Why it was left out; null where it was not. */
  skipped: string | null
}

interface Draft {
  walkId: string
  entries: Record<string, Entry>
}

const fresh = (): Draft => ({ walkId: crypto.randomUUID(), entries: {} })

function stored(key: string): Draft | null {
  const text = localStorage.getItem(key)
  return text ? (JSON.parse(text) as Draft) : null
}

/** A round that is being written: it outlives a closed page and a power cut, until it is saved. */
export function useDraft(subject: string) {
  const key = `rovek.round.${subject}`
  const [draft, setDraft] = useState<Draft>(() => stored(key) ?? fresh())
  const [wasKept, setWasKept] = useState(() => stored(key) !== null)
  useEffect(() => {
    if (Object.keys(draft.entries).length === 0) return
    try {
      localStorage.setItem(key, JSON.stringify(draft))
    } catch {
      // Photos may be too many for the browser's store; the page itself still holds them.
    }
  }, [key, draft])
  const change = (checkId: string, changed: Partial<Entry>) =>
    setDraft((now) => {
      const entry = now.entries[checkId] ?? {
        id: crypto.randomUUID(),
        written: '',
        note: '',
        photos: [],
        at: '',
        skipped: null,
      }
      const at =
        changed.written !== undefined && changed.written !== entry.written ? new Date().toISOString() : entry.at
      return { ...now, entries: { ...now.entries, [checkId]: { ...entry, at, ...changed } } }
    })
  const clear = () => {
    localStorage.removeItem(key)
    setDraft(fresh())
    setWasKept(false)
  }
  return { draft, wasKept, change, clear }
}

/** A number with the unit it was written in; everything else as it is, and a mere number has none. */
export function withUnit({ written, unit: of = '' }: Entry): string {
  const unit = unitText(of)
  const isBareNumber = /^[\d\s.,'’+−-]+$/.test(written)
  return isBareNumber && unit ? `${written.trim()} ${unit}` : written
}
