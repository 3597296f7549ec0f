/** The last place of a rising axis at or before another; the first where all are behind it. */
export function placeOf(x: number[], at: number): number {
  let low = 0
  let high = x.length - 1
  while (high > low) {
    const middle = (low + high + 1) >> 1
    if ((x[middle] ?? 0) <= at) low = middle
    else high = middle - 1
  }
  return low
}

/** The place nearest to another. */
export function nearestTo(x: number[], at: number): number {
  const before = placeOf(x, at)
  const behind = Math.min(before + 1, x.length - 1)
  return Math.abs((x[behind] ?? 0) - at) < Math.abs(at - (x[before] ?? 0)) ? behind : before
}

const STRIP_POINTS = 400

/** What a whole looks like in small: least and largest of equally long stretches. */
export function outlineOf(x: number[], y: (number | null)[]): { x: number; low: number; high: number }[] {
  const step = Math.max(1, Math.ceil(x.length / STRIP_POINTS))
  const outline = []
  for (let from = 0; from < x.length; from += step) {
    let low = Infinity
    let high = -Infinity
    for (let i = from; i < Math.min(x.length, from + step); i++) {
      const value = y[i]
      if (value === null || value === undefined) continue
      if (value < low) low = value
      if (value > high) high = value
    }
    if (high >= low) outline.push({ x: x[from] ?? 0, low, high })
  }
  return outline
}
