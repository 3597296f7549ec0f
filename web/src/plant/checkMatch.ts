import type { NewCheck } from './outline'

/** A check to choose, by the name it goes by in the language of whoever looks. */
export interface OfferedCheck {
  check: NewCheck
  name: string
}

/** The checks whose name begins with what was typed, then those of which a word does; all where nothing was. */
export function matching(checks: OfferedCheck[], text: string): OfferedCheck[] {
  const typed = text.trim().toLowerCase()
  if (typed === '') return checks
  const begins = checks.filter((check) => check.name.toLowerCase().startsWith(typed))
  const within = checks.filter(
    (check) =>
      !begins.includes(check) &&
      check.name
        .toLowerCase()
        .split(/\s+/)
        .some((word) => word.startsWith(typed)),
  )
  return [...begins, ...within]
}
