import type { NewCheck } from './outline'

/** The checks whose name begins with what was typed, then those of which a word does; all where nothing was. */
export function matching(checks: NewCheck[], text: string): NewCheck[] {
  const typed = text.trim().toLowerCase()
  if (typed === '') return checks
  const begins = checks.filter((check) => check.preset.toLowerCase().startsWith(typed))
  const within = checks.filter(
    (check) =>
      !begins.includes(check) &&
      check.preset
        .toLowerCase()
        .split(/\s+/)
        .some((word) => word.startsWith(typed)),
  )
  return [...begins, ...within]
}
