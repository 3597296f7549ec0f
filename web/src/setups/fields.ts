import type { SetupFieldView } from '../api/types'

/** Whether a field is asked for, given what the others say. */
export function isAsked(field: SetupFieldView, values: Record<string, string>): boolean {
  return field.whenKey === '' || field.whenValues.includes(values[field.whenKey] ?? '')
}

export function usualValues(fields: SetupFieldView[]): Record<string, string> {
  return Object.fromEntries(fields.map((field) => [field.key, field.usual]))
}

/** What is asked for, as the server reads it: numbers with a decimal point. */
export function writtenValues(fields: SetupFieldView[], values: Record<string, string>): Record<string, string> {
  return Object.fromEntries(
    fields
      .filter((field) => isAsked(field, values))
      .map((field) => [field.key, field.kind === 'NUMBER' ? (values[field.key] ?? '').trim().replace(',', '.') : (values[field.key] ?? '').trim()]),
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
