import { createContext, useContext, useMemo } from 'react'
import { type Times, timesOf } from './times'

/** The time zone of the site that is looked at; null for what belongs to no site. */
export const SiteZone = createContext<string | null>(null)

/** Times as they are read here. */
export function useTimes(): Times {
  const zone = useContext(SiteZone)
  return useMemo(() => timesOf(zone), [zone])
}
