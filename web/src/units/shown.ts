/** How what is stored in one unit is shown: shown = factor * stored + offset, a difference = factor * stored. */
export interface ShownUnit {
  stored: string
  unit: string
  factor: number
  offset: number
  /** Null where they follow from the number. */
  decimals: number | null
}

/** A stored unit as it is shown, and its numbers. */
export interface Conversion {
  /** The symbol that is shown. */
  unit: string
  value: (stored: number) => number
  /** A change, a rate, a width: where a scale begins does not matter to it. */
  difference: (stored: number) => number
}

let chosen: ReadonlyMap<string, Conversion> = new Map()
let decimals: ReadonlyMap<string, number> = new Map()
let converted: ReadonlySet<string> = new Set()

const same = (number: number) => number

/** What two roundings can do to a number. */
const LOST = 4 * Number.EPSILON

/** Digits of a number that somebody wrote. */
const WRITTEN_DIGITS = 12

/** The number that was written, where a result is that number but for what was lost on the way. */
function cleaned(result: number, size: number): number {
  const written = Number(result.toPrecision(WRITTEN_DIGITS))
  return Math.abs(written - result) <= LOST * Math.max(size, Math.abs(result)) ? written : result
}

/** Numbers of a unit as somebody else sees them. */
export function conversion({ unit, factor, offset }: ShownUnit): Conversion {
  if (factor === 1 && offset === 0) return { unit, value: same, difference: same }
  return {
    unit,
    value: (stored) => cleaned(stored * factor + offset, Math.abs(offset)),
    difference: (stored) => cleaned(stored * factor, 0),
  }
}

/** Shows units so from now on; what was read before is to be read again. */
export function showUnits(units: readonly ShownUnit[]) {
  chosen = new Map(units.map((one) => [one.stored, conversion(one)]))
  converted = new Set(units.filter((one) => one.factor !== 1 || one.offset !== 0).map((one) => one.unit))
  decimals = new Map(units.flatMap((one) => (one.decimals === null ? [] : [[one.unit, one.decimals]])))
}

/** How what is stored in a unit is shown. */
export function shownIn(stored: string): Conversion {
  return chosen.get(stored) ?? { unit: stored, value: same, difference: same }
}

/** Whether numbers in a unit are converted ones: their digits are no instrument's and nobody's. */
export function isConverted(shown: string): boolean {
  return converted.has(shown)
}

/** With how many decimals numbers in a unit are to be shown; undefined where they follow from the number. */
export function decimalsIn(shown: string): number | undefined {
  return decimals.get(shown)
}
