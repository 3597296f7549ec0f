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
