import type { QueryClient } from '@tanstack/react-query'

/** First words of the queries that show what was measured, and what came of it. */
const RESULTS = ['visits', 'visit', 'outline', 'sheet', 'trend', 'today', 'curves', 'preview', 'certificates'] as const

/**
 * What may change, and the queries that show something of it, by the first word of their keys. Whoever changes a
 * subject names it, and need not
 * know who shows it; a view that shows more of a subject than it did is added here.
 */
export const SHOWN_BY = {
  accounts: ['accounts', 'audit'],
  calibration: ['instruments', 'connection', 'papers', 'today'],
  certificates: ['certificates', 'today', 'preview'],
  connections: ['presence', 'instruments', 'connection', 'today'],
  events: ['trend', 'sheet', 'outline', 'visit', 'today', 'limits'],
  firmware: ['firmware'],
  limits: ['limits', 'sheet', 'outline', 'trend', 'visit', 'today', 'preview'],
  loaded: ['gate', 'connection', 'fit', 'routes', 'setups', 'running-job', 'today'],
  makersKeys: ['makers-keys', 'firmware', 'audit'],
  memory: ['connection', 'gate', 'running-job'],
  networks: ['networks', 'presence', 'audit'],
  pictures: ['pictures'],
  plant: ['outline', 'sheet', 'routes', 'today', 'changes', 'settings', 'limits', 'templates', 'plate'],
  policies: ['rules', 'preview', 'audit'],
  /** New ones, as well as those that were placed, moved, discarded or corrected. */
  readings: [...RESULTS, 'originals', 'instruments', 'schedule', 'hand-round'],
  reportChoices: ['client-reports', 'preview'],
  routes: ['routes', 'setups', 'fit', 'schedule', 'today'],
  sensors: ['sensors', 'settings', 'techniques', 'fit', 'routes'],
  settings: ['settings', 'curves', 'outline', 'sheet', 'trend', 'routes', 'changes'],
  setups: ['setups', 'fit'],
  skipReasons: ['skip-reasons'],
  templates: ['templates', 'changes'],
} as const satisfies Record<string, readonly string[]>

export type Subject = keyof typeof SHOWN_BY

/** Has everything read again that shows something of what has changed. */
export function changed(client: QueryClient, ...subjects: Subject[]): Promise<unknown> {
  const keys = new Set(subjects.flatMap((subject): readonly string[] => SHOWN_BY[subject]))
  return Promise.all([...keys].map((key) => client.invalidateQueries({ queryKey: [key] })))
}
