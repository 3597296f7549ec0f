import { queryOptions } from '@tanstack/react-query'
import { api, data, Problem } from '../client'
import * as shown from '../shown'

/** Instruments and sensors, and what is on them. */
export const instruments = {
  instruments: () => queryOptions({ queryKey: ['instruments'], queryFn: () => data(api.GET('/api/instruments')) }),
  presence: () =>
    queryOptions({
      queryKey: ['presence'],
      queryFn: () => data(api.GET('/api/connections')),
      refetchInterval: 1_500,
      refetchIntervalInBackground: false,
    }),
  connection: (id: string) =>
    queryOptions({
      queryKey: ['connection', id],
      queryFn: () => data(api.GET('/api/instruments/{id}/connection', { params: { path: { id } } })),
      retry: false,
      staleTime: 2_000,
      refetchOnWindowFocus: true,
    }),
  inside: (id: string, file: string) =>
    queryOptions({
      queryKey: ['connection', id, 'inside', file],
      queryFn: async () => {
        const inside = await data(
          api.GET('/api/instruments/{id}/inside', { params: { path: { id }, query: { file } } }),
        )
        return { ...inside, readings: inside.readings.map(shown.read) }
      },
      retry: false,
    }),
  firmware: (model: string) =>
    queryOptions({
      queryKey: ['firmware', model],
      queryFn: () => data(api.GET('/api/firmware', { params: { query: { model } } })),
    }),
  papers: (id: string) =>
    queryOptions({
      queryKey: ['papers', id],
      queryFn: () => data(api.GET('/api/instruments/{id}/papers', { params: { path: { id } } })),
    }),
  sensorPapers: (id: string) =>
    queryOptions({
      queryKey: ['papers', id],
      queryFn: () => data(api.GET('/api/sensors/{id}/papers', { params: { path: { id } } })),
    }),
  originals: (id: string) =>
    queryOptions({
      queryKey: ['originals', id],
      queryFn: () => data(api.GET('/api/instruments/{id}/originals', { params: { path: { id } } })),
    }),
  sensors: () => queryOptions({ queryKey: ['sensors'], queryFn: () => data(api.GET('/api/sensors')) }),
  liveSources: () => queryOptions({ queryKey: ['live-sources'], queryFn: () => data(api.GET('/api/live')) }),
  loadGate: (id: string, what: { kind: 'route' | 'setup'; id: string }) =>
    queryOptions({
      queryKey: ['gate', id, what.id],
      queryFn: () =>
        data(
          api.GET('/api/instruments/{id}/load-gate', {
            params: { path: { id }, query: what.kind === 'route' ? { routeId: what.id } : { setupId: what.id } },
          }),
        ),
      // The application's own looks take a second or two; whoever asks waits for them, not for a person's work.
      retry: (count, error) => count < 10 && error instanceof Problem && error.code === 'instrument-claimed',
      retryDelay: 500,
      staleTime: 0,
      gcTime: 0,
    }),
  fit: (id: string, routeId: string) =>
    queryOptions({
      queryKey: ['fit', id, routeId],
      queryFn: () => data(api.GET('/api/instruments/{id}/fit', { params: { path: { id }, query: { routeId } } })),
      retry: false,
    }),
  setupFit: (id: string, setupId: string, revision: number) =>
    queryOptions({
      queryKey: ['fit', id, setupId, revision],
      queryFn: () => data(api.GET('/api/instruments/{id}/setup-fit', { params: { path: { id }, query: { setupId } } })),
      retry: false,
    }),
  share: (id: string, other: string, routeId: string) =>
    queryOptions({
      queryKey: ['fit', id, other, routeId],
      queryFn: () =>
        data(api.GET('/api/instruments/{id}/share', { params: { path: { id }, query: { with: other, routeId } } })),
      retry: false,
    }),
  job: (id: string) =>
    queryOptions({
      queryKey: ['job', id],
      queryFn: () => data(api.GET('/api/jobs/{id}', { params: { path: { id } } })),
    }),
  runningJob: (id: string) =>
    queryOptions({
      queryKey: ['running-job', id],
      queryFn: () => data(api.GET('/api/instruments/{id}/job', { params: { path: { id } } })),
    }),
}
