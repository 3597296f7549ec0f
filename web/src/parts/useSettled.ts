import { useEffect, useState } from 'react'

const MILLIS = 350

/** A value once it has not changed for a moment: nobody wants an answer to every key. */
export function useSettled<T>(value: T): T {
  const said = JSON.stringify(value)
  const [settled, setSettled] = useState(said)
  useEffect(() => {
    const waiting = setTimeout(() => setSettled(said), MILLIS)
    return () => clearTimeout(waiting)
  }, [said])
  return JSON.parse(settled) as T
}
