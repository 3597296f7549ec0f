import { queryOptions } from '@tanstack/react-query'
import { api, data } from '../client'
import { expanded } from '../curve'
import * as shown from '../shown'
import type { RunStatistics, RunView, Trend } from '../types'

/** Which result of a check over which time; all of it where no time is said. */
export interface TrendOf {
  result?: string
  from?: string
  to?: string
}

/** What was measured, over time and in itself. */
export const readings = {
  trend: (id: string, of: TrendOf) =>
    queryOptions({
      queryKey: ['trend', id, of],
      queryFn: async (): Promise<Trend> =>
        shown.trend(await data(api.GET('/api/checks/{id}/trend', { params: { path: { id }, query: of } }))),
    }),
  results: (id: string) =>
    queryOptions({
      queryKey: ['trend', 'results', id],
      queryFn: async () =>
        (await data(api.GET('/api/readings/{id}/results', { params: { path: { id } } }))).map(shown.result),
    }),
  comparable: (id: string) =>
    queryOptions({
      queryKey: ['trend', id, 'comparable'],
      queryFn: () => data(api.GET('/api/checks/{id}/comparable', { params: { path: { id } } })),
    }),
  waterfall: (id: string, curve: string) =>
    queryOptions({
      queryKey: ['trend', id, 'waterfall', curve],
      queryFn: async () =>
        shown.waterfall(
          await data(api.GET('/api/checks/{id}/waterfall', { params: { path: { id }, query: { curve } } })),
        ),
    }),
  curves: (id: string, look: Record<string, string> = {}) =>
    queryOptions({
      queryKey: ['curves', id, look],
      queryFn: async () => {
        const { curves, ...rest } = await data(
          api.GET('/api/readings/{id}/curves', {
            params: { path: { id }, query: { look } },
            querySerializer: () => new URLSearchParams(look).toString(),
          }),
        )
        return { ...rest, curves: curves.map(expanded).map(shown.curve) }
      },
      staleTime: Infinity,
    }),
  run: (id: string) =>
    queryOptions({
      queryKey: ['curves', id, 'run'],
      queryFn: async (): Promise<RunView> =>
        shown.run(await data(api.GET('/api/readings/{id}/run', { params: { path: { id } } }))),
      staleTime: Infinity,
    }),
  runStatistics: (id: string, from: number, to: number) =>
    queryOptions({
      queryKey: ['curves', id, 'run', from, to],
      queryFn: async () => {
        const channels: RunStatistics[] = await data(
          api.GET('/api/readings/{id}/run/statistics', { params: { path: { id }, query: { from, to } } }),
        )
        return channels.map(shown.runStatistics)
      },
      staleTime: Infinity,
    }),
  insight: (id: string) =>
    queryOptions({
      queryKey: ['insight', id],
      queryFn: () => data(api.GET('/api/readings/{id}/insight', { params: { path: { id } } })),
    }),
  capture: (id: string) =>
    queryOptions({
      queryKey: ['capture', id],
      queryFn: () => data(api.GET('/api/readings/{id}/capture', { params: { path: { id } } })),
      staleTime: Infinity,
    }),
}
