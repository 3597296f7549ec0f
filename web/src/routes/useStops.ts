import { useState } from 'react'
import { api, data } from '../api/client'
import type { OutlineFilter, PickedCheck, RouteView } from '../api/types'

/** A stop as it is planned: the check, and where it hangs in the plant. */
export interface Stop {
  checkId: string
  path: string[]
  assetTag: string
  assetName: string
  point: string
  check: string
  instruction: string
}

function stopOf(picked: PickedCheck): Stop {
  return { checkId: picked.id, path: picked.path, assetTag: picked.assetTag, assetName: picked.assetName, point: picked.point, check: picked.check, instruction: '' }
}

/** The walk as it is being planned. */
export function useStops(saved: RouteView | undefined) {
  const [stops, setStops] = useState<Stop[]>(saved?.stops ?? [])
  const there = new Set(stops.map((stop) => stop.checkId))

  /** Adds every check at or beneath a node that the filter finds, behind what is chosen already. */
  const addBeneath = async (nodeId: string, filter: OutlineFilter) => {
    const picked = await data(api.POST('/api/outline/checks', { body: { nodeId, filter } }))
    setStops((before) => {
      const known = new Set(before.map((stop) => stop.checkId))
      return [...before, ...picked.checks.filter((check) => !known.has(check.id)).map(stopOf)]
    })
  }
  const dropBeneath = (nodeId: string) => setStops((before) => before.filter((stop) => stop.checkId !== nodeId && !stop.path.includes(nodeId)))
  const countBeneath = (nodeId: string) => stops.filter((stop) => stop.checkId === nodeId || stop.path.includes(nodeId)).length

  return { stops, setStops, has: (checkId: string) => there.has(checkId), addBeneath, dropBeneath, countBeneath }
}
