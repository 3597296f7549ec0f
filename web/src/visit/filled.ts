import { t } from '../words/t'

/** What people fill in for readings, in the order it is shown. */
export const FILLED = ['PRESSURE', 'DISTANCE', 'INSPECTOR', 'REMARK'] as const
export type FilledColumn = (typeof FILLED)[number]

/** What was filled in, as one line. */
export function filledIn(filled: Record<string, string>): string[] {
  return FILLED.flatMap((column) => {
    const value = filled[column]
    return value ? [`${value} ${t(`visits:fill.short.${column}`)}`.trim()] : []
  })
}
