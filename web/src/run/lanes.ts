import type { RunView } from '../api/types'

export type Channel = RunView['channels'][number]

/** Channels of one unit share a lane, so that they are compared on one scale. */
export interface Lane {
  unit: string
  channels: Channel[]
}

export function lanesOf(channels: Channel[]): Lane[] {
  const lanes: Lane[] = []
  for (const channel of channels) {
    const lane = lanes.find((one) => one.unit === channel.unit)
    if (lane) lane.channels.push(channel)
    else lanes.push({ unit: channel.unit, channels: [channel] })
  }
  return lanes
}

const ROOM = 0.06

/** From the least to the largest of what is shown, with the limits that are near; never less than a little. */
export function heightsOf(low: number | null, high: number | null, bounds: number[]): [number, number] {
  if (low === null || high === null) return [0, 1]
  const span = high - low || Math.abs(high) || 1
  const near = bounds.filter((bound) => bound > low - span && bound < high + span)
  const bottom = Math.min(low, ...near)
  const top = Math.max(high, ...near)
  const room = (top - bottom || Math.abs(top) || 1) * ROOM
  return [bottom - room, top + room]
}
