import type { Trend } from '../api/types'

/**
 * Where the readings behind a plot are had as a file.
 * @param beside further checks, each with a result behind a space
 */
export function trendFile(
  trend: Trend,
  form: 'csv' | 'xlsx',
  part: { from: string; to: string } | null,
  beside: string[],
): string {
  const query = new URLSearchParams({ form, result: trend.resultId, ...part })
  beside.forEach((one) => query.append('with', one))
  return `/api/checks/${trend.checkId}/trend/file?${query}`
}
