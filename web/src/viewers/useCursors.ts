import { useMemo, useState } from 'react'
import type { Upright } from './drawOver'

/** Two places on an axis that somebody sets: A by a click, B by one with Shift. */
export function useCursors() {
  const [{ first, second }, setBoth] = useState<{ first: number | null; second: number | null }>({
    first: null,
    second: null,
  })
  const lines = useMemo<Upright[]>(
    () => [
      ...(first === null ? [] : [{ name: 'A', at: first }]),
      ...(second === null ? [] : [{ name: 'B', at: second }]),
    ],
    [first, second],
  )
  return {
    first,
    second,
    /** B − A; null where one of them is not set. */
    apart: first === null || second === null ? null : second - first,
    lines,
    set: (at: number, isSecond: boolean) => setBoth(isSecond ? { first, second: at } : { first: at, second }),
    clear: () => setBoth({ first: null, second: null }),
  }
}
