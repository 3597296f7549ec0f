import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import { DayField } from '../parts/DateField'
import { today } from '../units/times'
import { t } from '../words/t'

/** How often a route is walked, from when on, and by whom. */
export interface Terms {
  everyDays: number | null
  firstDue: string | null
  assignedTo: string | null
}

export function RouteTerms({ terms, onChange }: { terms: Terms; onChange: (terms: Terms) => void }) {
  const people = useQuery(queries.people())
  const every = (value: string) => {
    const days = Math.trunc(Number(value))
    const everyDays = value.trim() !== '' && days > 0 ? days : null
    onChange({
      ...terms,
      everyDays,
      firstDue: everyDays === null ? null : (terms.firstDue ?? today()),
    })
  }
  return (
    <p className="mb-3 flex flex-wrap items-center gap-x-2 gap-y-1 text-ink2">
      {t('routes:terms.every')}
      <input
        aria-label={`${t('routes:terms.every')} … ${t('routes:terms.days')}`}
        inputMode="numeric"
        className="field w-14 text-right"
        value={terms.everyDays ?? ''}
        onChange={(event) => every(event.target.value)}
      />
      {t('routes:terms.days')}
      {terms.everyDays !== null && (
        <>
          , {t('routes:terms.first')}
          <DayField
            label={t('routes:terms.first')}
            value={terms.firstDue ?? ''}
            onChange={(day) => onChange({ ...terms, firstDue: day || null })}
          />
        </>
      )}
      {t('routes:terms.who')}
      <select
        aria-label={t('routes:terms.who')}
        className="field"
        value={terms.assignedTo ?? ''}
        onChange={(event) => onChange({ ...terms, assignedTo: event.target.value || null })}
      >
        <option value="">{t('routes:terms.nobody')}</option>
        {people.data?.map((person) => (
          <option key={person.name} value={person.name}>
            {person.displayName}
          </option>
        ))}
      </select>
    </p>
  )
}
