import { useState } from 'react'
import { api, data } from '../api/client'
import type { OutlineFilter, PickedCheck, RouteView } from '../api/types'

/** A stop as it is planned: the check, where it hangs in the plant, and what is said and shown there. */
export interface Stop {
  checkId: string
  path: string[]
  assetTag: string
  assetName: string
  point: string
  check: string
  instruction: string
  pictureId: string | null
}

function stopOf(picked: PickedCheck): Stop {
  return {
    checkId: picked.id,
    path: picked.path,
    assetTag: picked.assetTag,
    assetName: picked.assetName,
    point: picked.point,
    check: picked.check,
    instruction: '',
    pictureId: null,
  }
}

/** The node of the point a stop is at: the last of its path. */
export function pointOf(stop: Stop): string {
  return stop.path.at(-1) ?? ''
}

/** The walk as it is being planned. */
export function useStops(saved: RouteView | undefined) {
  const [stops, setStops] = useState<Stop[]>(saved?.stops ?? [])
  const there = new Set(stops.map((stop) => stop.checkId))

  /** Adds every check at or below a node that the filter finds, behind what is chosen already. */
  const addBelow = async (nodeId: string, filter: OutlineFilter) => {
    const picked = await data(api.POST('/api/outline/checks', { body: { nodeId, filter } }))
    setStops((before) => {
      const known = new Set(before.map((stop) => stop.checkId))
      return [...before, ...picked.checks.filter((check) => !known.has(check.id)).map(stopOf)]
    })
  }
  const dropBelow = (nodeId: string) =>
    setStops((before) => before.filter((stop) => stop.checkId !== nodeId && !stop.path.includes(nodeId)))
  const countBelow = (nodeId: string) =>
    stops.filter((stop) => stop.checkId === nodeId || stop.path.includes(nodeId)).length
  /** The same stops in another order; what is not among them comes last. */
  const putInOrder = (checkIds: string[]) => {
    const place = new Map(checkIds.map((id, i) => [id, i]))
    setStops((before) =>
      [...before].sort((a, b) => (place.get(a.checkId) ?? before.length) - (place.get(b.checkId) ?? before.length)),
    )
  }
  /** Shows at each stop the picture its point is seen on; a stop that shows one already keeps it. */
  const showPictures = async () => {
    const shown = await data(api.POST('/api/pictures/showing', { body: { pointIds: stops.map(pointOf) } }))
    const found = (stop: Stop) => (stop.pictureId ? undefined : shown.pictures[pointOf(stop)])
    setStops((before) =>
      before.map((stop) => ({ ...stop, pictureId: stop.pictureId ?? shown.pictures[pointOf(stop)] ?? null })),
    )
    return stops.filter(found).length
  }

  return {
    stops,
    setStops,
    has: (checkId: string) => there.has(checkId),
    addBelow,
    dropBelow,
    countBelow,
    putInOrder,
    showPictures,
  }
}
