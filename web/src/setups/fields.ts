import type { SetupFieldView } from '../api/types'

/** What a field says: as it usually is, where a set-up was made before it was asked for. */
export function said(field: SetupFieldView, values: Record<string, string>): string {
  return values[field.key] ?? field.usual
}

/** The fields that are asked for, given what those before them say. */
export function askedFields(fields: SetupFieldView[], values: Record<string, string>): SetupFieldView[] {
  const before: Record<string, string> = {}
  return fields.filter((field) => {
    const isAsked = field.whenKey === '' || field.whenValues.includes(before[field.whenKey] ?? '')
    if (isAsked) before[field.key] = said(field, values)
    return isAsked
  })
}

export function usualValues(fields: SetupFieldView[]): Record<string, string> {
  return Object.fromEntries(fields.map((field) => [field.key, field.usual]))
}

/** What is asked for, as the server reads it: numbers with a decimal point. */
export function writtenValues(fields: SetupFieldView[], values: Record<string, string>): Record<string, string> {
  return Object.fromEntries(
    askedFields(fields, values).map((field) => [
      field.key,
      field.kind === 'NUMBER' ? said(field, values).trim().replace(',', '.') : said(field, values).trim(),
    ]),
  )
}

/** A moment as a field of the browser has it, in local time; blank where there is none yet. */
export function localMoment(moment: string): string {
  const at = new Date(moment)
  if (moment === '' || Number.isNaN(at.getTime())) return ''
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}

export function momentOf(local: string): string {
  return local === '' ? '' : new Date(local).toISOString()
}
