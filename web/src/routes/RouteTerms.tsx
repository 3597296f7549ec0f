import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import { words } from '../words/en'

/** How often a route is walked, from when on, and by whom. */
export interface Terms {
  everyDays: number | null
  firstDue: string | null
  assignedTo: string | null
}

const text = words.routes.terms

export function RouteTerms({ terms, onChange }: { terms: Terms; onChange: (terms: Terms) => void }) {
  const people = useQuery(queries.people())
  const every = (value: string) => {
    const days = Math.trunc(Number(value))
    const everyDays = value.trim() !== '' && days > 0 ? days : null
    onChange({
      ...terms,
      everyDays,
      firstDue: everyDays === null ? null : (terms.firstDue ?? new Date().toISOString().slice(0, 10)),
    })
  }
  return (
    <p className="mb-3 flex flex-wrap items-center gap-x-2 gap-y-1 text-ink2">
      {text.every}
      <input
        aria-label={`${text.every} … ${text.days}`}
        inputMode="numeric"
        className="field w-14 text-right"
        value={terms.everyDays ?? ''}
        onChange={(event) => every(event.target.value)}
      />
      {text.days}
      {terms.everyDays !== null && (
        <>
          , {text.first}
          <input
            aria-label={text.first}
            type="date"
            className="field"
            value={terms.firstDue ?? ''}
            onChange={(event) => onChange({ ...terms, firstDue: event.target.value || null })}
          />
        </>
      )}
      {text.who}
      <select
        aria-label={text.who}
        className="field"
        value={terms.assignedTo ?? ''}
        onChange={(event) => onChange({ ...terms, assignedTo: event.target.value || null })}
      >
        <option value="">{text.nobody}</option>
        {people.data?.map((person) => (
          <option key={person.name} value={person.name}>
            {person.displayName}
          </option>
        ))}
      </select>
    </p>
  )
}
