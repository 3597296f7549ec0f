import { queryOptions } from '@tanstack/react-query'
import { api, data } from '../client'
import * as shown from '../shown'

/** What is to be measured: routes, set-ups, the schedule, and rounds by hand. */
export const plans = {
  routes: () => queryOptions({ queryKey: ['routes'], queryFn: () => data(api.GET('/api/routes')) }),
  removedRoutes: () =>
    queryOptions({ queryKey: ['routes', 'removed'], queryFn: () => data(api.GET('/api/routes/removed')) }),
  setups: () => queryOptions({ queryKey: ['setups'], queryFn: () => data(api.GET('/api/setups')) }),
  removedSetups: () =>
    queryOptions({ queryKey: ['setups', 'removed'], queryFn: () => data(api.GET('/api/setups/removed')) }),
  setupForms: () =>
    queryOptions({
      queryKey: ['setups', 'forms'],
      queryFn: () => data(api.GET('/api/setups/forms')),
      staleTime: Infinity,
    }),
  setupRevisions: (id: string) =>
    queryOptions({
      queryKey: ['setups', id, 'revisions'],
      queryFn: () => data(api.GET('/api/setups/{id}/revisions', { params: { path: { id } } })),
    }),
  schedule: () => queryOptions({ queryKey: ['schedule'], queryFn: () => data(api.GET('/api/schedule')) }),
  people: () =>
    queryOptions({ queryKey: ['schedule', 'people'], queryFn: () => data(api.GET('/api/schedule/people')) }),
  skipReasons: () =>
    queryOptions({ queryKey: ['skip-reasons'], queryFn: () => data(api.GET('/api/routes/skip-reasons')) }),
  handRound: (of: { route?: string; check?: string }) =>
    queryOptions({
      queryKey: ['hand-round', of],
      queryFn: async () => {
        const round = await (of.route
          ? data(api.GET('/api/by-hand/routes/{id}', { params: { path: { id: of.route } } }))
          : data(api.GET('/api/by-hand/checks/{id}', { params: { path: { id: of.check ?? '' } } })))
        return { ...round, stops: round.stops.map(shown.handStop) }
      },
      retry: false,
    }),
}
