import { mostDecimals } from '../parts/Decimal'
import { type Boundaries, boundary, change, number } from './format'

interface Judged extends Boundaries {
  value: number | null
  change: number | null
}

/** Now, limit and change of rows as they are written, and how many decimals each column has at most. */
export function columns(rows: readonly Judged[]) {
  const texts = rows.map((row) => {
    const beside = [row.watch, row.fail, row.watchLow, row.failLow]
    return {
      value: row.value === null ? '–' : number(row.value, row.unit, ...beside),
      change: row.change === null || row.value === null ? '' : change(row.change, row.value, row.unit, ...beside),
      limit: boundary(row),
    }
  })
  return {
    texts,
    decimals: {
      value: mostDecimals(texts.map((one) => one.value)),
      change: mostDecimals(texts.map((one) => one.change)),
      limit: mostDecimals(texts.map((one) => one.limit)),
    },
  }
}
