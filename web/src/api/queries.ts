import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query'
import { api, data, Problem } from './client'
import { showUnits } from '../units/shown'
import { expanded } from './curve'
import * as shown from './shown'
import type {
  LimitForm,
  LimitLine,
  OutlineFilter,
  ReportChoice,
  RunStatistics,
  RunView,
  Sheet,
  Trend,
  Units,
  VisitSheet,
} from './types'

/** As many as the server gives at once. */
const visitsAPage = 200

/** A limit without rules is none. */
export const noLimit: LimitForm = { rules: [], hysteresis: 0, boundaryIsPast: false, unit: null }

/** Which result of a check over which time; all of it where no time is said. */
export interface TrendOf {
  result?: string
  from?: string
  to?: string
}

/** Everything read from the server, each with its key. */
export const queries = {
  me: () =>
    queryOptions({ queryKey: ['me'], queryFn: () => data(api.GET('/api/session')), retry: false, staleTime: 60_000 }),
  units: () =>
    queryOptions({
      queryKey: ['units'],
      queryFn: async (): Promise<Units> => {
        const units: Units = await data(api.GET('/api/units'))
        showUnits(units.shown)
        return units
      },
      staleTime: 60_000,
    }),
  times: () => queryOptions({ queryKey: ['times'], queryFn: () => data(api.GET('/api/times')), staleTime: Infinity }),
  today: () => queryOptions({ queryKey: ['today'], queryFn: () => data(api.GET('/api/today')) }),
  find: (text: string) =>
    queryOptions({
      queryKey: ['outline', 'find', text],
      queryFn: () => data(api.GET('/api/outline/find', { params: { query: { text } } })),
    }),
  checks: (filter: OutlineFilter) =>
    queryOptions({
      queryKey: ['outline', 'checks', filter],
      queryFn: () => data(api.POST('/api/outline/checks', { body: { nodeId: null, filter } })),
    }),
  techniques: () =>
    queryOptions({
      queryKey: ['techniques'],
      queryFn: () => data(api.GET('/api/plant/techniques')),
      staleTime: Infinity,
    }),
  classes: () =>
    queryOptions({ queryKey: ['classes'], queryFn: () => data(api.GET('/api/plant/classes')), staleTime: Infinity }),
  areas: () => queryOptions({ queryKey: ['outline', 'areas'], queryFn: () => data(api.GET('/api/outline/areas')) }),
  pictures: (node: string) =>
    queryOptions({
      queryKey: ['pictures', node],
      queryFn: () => data(api.GET('/api/nodes/{nodeId}/pictures', { params: { path: { nodeId: node } } })),
    }),
  removedPictures: (node: string) =>
    queryOptions({
      queryKey: ['pictures', node, 'removed'],
      queryFn: () => data(api.GET('/api/nodes/{nodeId}/pictures/removed', { params: { path: { nodeId: node } } })),
    }),
  removedRoutes: () =>
    queryOptions({ queryKey: ['routes', 'removed'], queryFn: () => data(api.GET('/api/routes/removed')) }),
  removedSetups: () =>
    queryOptions({ queryKey: ['setups', 'removed'], queryFn: () => data(api.GET('/api/setups/removed')) }),
  liveSources: () => queryOptions({ queryKey: ['live-sources'], queryFn: () => data(api.GET('/api/live')) }),
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
  skipReasons: () =>
    queryOptions({ queryKey: ['skip-reasons'], queryFn: () => data(api.GET('/api/routes/skip-reasons')) }),
  setups: () => queryOptions({ queryKey: ['setups'], queryFn: () => data(api.GET('/api/setups')) }),
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
  changes: (node: string | undefined) =>
    queryOptions({
      queryKey: ['changes', node],
      queryFn: () => data(api.GET('/api/plant/changes', { params: { query: { node } } })),
    }),
  sheet: (id: string) =>
    queryOptions({
      queryKey: ['sheet', id],
      queryFn: async (): Promise<Sheet> =>
        shown.sheet(await data(api.GET('/api/nodes/{id}/sheet', { params: { path: { id } } }))),
    }),
  clientReports: (id: string) =>
    queryOptions({
      queryKey: ['client-reports', id],
      queryFn: async (): Promise<ReportChoice> =>
        data(api.GET('/api/clients/{id}/reports', { params: { path: { id } } })),
    }),
  templates: () => queryOptions({ queryKey: ['templates'], queryFn: () => data(api.GET('/api/templates')) }),
  followers: (id: string) =>
    queryOptions({
      queryKey: ['templates', id, 'followers'],
      queryFn: () => data(api.GET('/api/templates/{id}/followers', { params: { path: { id } } })),
    }),
  plate: (id: string) =>
    queryOptions({
      queryKey: ['plate', id],
      queryFn: async () =>
        shown.plate(await data(api.GET('/api/plant/nodes/{id}/nameplate', { params: { path: { id } } }))),
    }),
  settings: (id: string) =>
    queryOptions({
      queryKey: ['settings', id],
      queryFn: () => data(api.GET('/api/plant/nodes/{id}/settings', { params: { path: { id } } })),
    }),
  limits: (nodeId: string) =>
    queryOptions({
      queryKey: ['limits', nodeId],
      queryFn: async () => {
        const lines: LimitLine[] = await data(api.GET('/api/nodes/{nodeId}/limits', { params: { path: { nodeId } } }))
        return lines.map(shown.limitLine)
      },
    }),
  limitPreview: (
    nodeId: string,
    technique: string,
    resultId: string,
    saying: { limit: LimitForm | null; from: string | null; until: string | null },
  ) =>
    queryOptions({
      queryKey: ['limits', nodeId, 'preview', technique, resultId, saying],
      queryFn: () =>
        data(
          api.POST('/api/nodes/{nodeId}/limits/{technique}/{resultId}/preview', {
            params: { path: { nodeId, technique, resultId } },
            body: { ...saying, limit: saying.limit ?? noLimit, isInherited: false },
          }),
        ),
      enabled: saying.limit !== null,
      retry: false,
    }),
  proposalsPreview: (
    nodeId: string,
    technique: string,
    resultId: string,
    source: 'STANDARD' | 'HISTORY',
    from: string | null,
  ) =>
    queryOptions({
      queryKey: ['limits', nodeId, 'proposals', technique, resultId, source, from],
      queryFn: () =>
        data(
          api.POST('/api/nodes/{nodeId}/limits/{technique}/{resultId}/proposals/preview', {
            params: { path: { nodeId, technique, resultId } },
            body: { source, from },
          }),
        ),
      retry: false,
    }),
  trend: (id: string, of: TrendOf) =>
    queryOptions({
      queryKey: ['trend', id, of],
      queryFn: async (): Promise<Trend> =>
        shown.trend(await data(api.GET('/api/checks/{id}/trend', { params: { path: { id }, query: of } }))),
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
  insight: (id: string) =>
    queryOptions({
      queryKey: ['insight', id],
      queryFn: () => data(api.GET('/api/readings/{id}/insight', { params: { path: { id } } })),
    }),
  routes: () => queryOptions({ queryKey: ['routes'], queryFn: () => data(api.GET('/api/routes')) }),
  schedule: () => queryOptions({ queryKey: ['schedule'], queryFn: () => data(api.GET('/api/schedule')) }),
  people: () =>
    queryOptions({ queryKey: ['schedule', 'people'], queryFn: () => data(api.GET('/api/schedule/people')) }),
  fit: (id: string, routeId: string) =>
    queryOptions({
      queryKey: ['fit', id, routeId],
      queryFn: () => data(api.GET('/api/instruments/{id}/fit', { params: { path: { id }, query: { routeId } } })),
      retry: false,
    }),
  sensors: () => queryOptions({ queryKey: ['sensors'], queryFn: () => data(api.GET('/api/sensors')) }),
  sensorUsers: (tag: string) =>
    queryOptions({
      queryKey: ['sensors', tag, 'users'],
      queryFn: () => data(api.GET('/api/plant/sensors/{tag}/users', { params: { path: { tag } } })),
    }),
  instruments: () => queryOptions({ queryKey: ['instruments'], queryFn: () => data(api.GET('/api/instruments')) }),
  presence: () =>
    queryOptions({
      queryKey: ['presence'],
      queryFn: () => data(api.GET('/api/connections')),
      refetchInterval: 1_500,
      refetchIntervalInBackground: false,
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
  job: (id: string) =>
    queryOptions({
      queryKey: ['job', id],
      queryFn: () => data(api.GET('/api/jobs/{id}', { params: { path: { id } } })),
    }),
  makersKeys: () => queryOptions({ queryKey: ['makers-keys'], queryFn: () => data(api.GET('/api/makers-keys')) }),
  networks: () => queryOptions({ queryKey: ['networks'], queryFn: () => data(api.GET('/api/networks')) }),
  rules: () => queryOptions({ queryKey: ['rules'], queryFn: () => data(api.GET('/api/policies')) }),
  connection: (id: string) =>
    queryOptions({
      queryKey: ['connection', id],
      queryFn: () => data(api.GET('/api/instruments/{id}/connection', { params: { path: { id } } })),
      retry: false,
      staleTime: 2_000,
      refetchOnWindowFocus: true,
    }),
  originals: (id: string) =>
    queryOptions({
      queryKey: ['originals', id],
      queryFn: () => data(api.GET('/api/instruments/{id}/originals', { params: { path: { id } } })),
    }),
  unitSpellings: () =>
    queryOptions({
      queryKey: ['unit-spellings'],
      queryFn: () => data(api.GET('/api/unit-spellings')),
      staleTime: 60_000,
    }),
  runningJob: (id: string) =>
    queryOptions({
      queryKey: ['running-job', id],
      queryFn: () => data(api.GET('/api/instruments/{id}/job', { params: { path: { id } } })),
    }),
  visits: () =>
    queryOptions({
      queryKey: ['visits'],
      queryFn: () => data(api.GET('/api/visits', { params: { query: { from: 0 } } })),
    }),
  visitPages: () =>
    infiniteQueryOptions({
      queryKey: ['visits', 'pages'],
      queryFn: ({ pageParam }) => data(api.GET('/api/visits', { params: { query: { from: pageParam } } })),
      initialPageParam: 0,
      getNextPageParam: (page, pages) => (page.length < visitsAPage ? undefined : pages.length * visitsAPage),
    }),
  corrections: (id: string) =>
    queryOptions({
      queryKey: ['visit', id, 'corrections'],
      queryFn: () => data(api.GET('/api/visits/{id}/corrections', { params: { path: { id } } })),
    }),
  visit: (id: string) =>
    queryOptions({
      queryKey: ['visit', id],
      queryFn: async (): Promise<VisitSheet> =>
        shown.visit(await data(api.GET('/api/visits/{id}', { params: { path: { id } } }))),
    }),
  movePlan: (id: string, targetId: string, readingIds: string[]) =>
    queryOptions({
      queryKey: ['visit', id, 'move', targetId, readingIds],
      queryFn: () =>
        data(api.POST('/api/visits/{id}/move-preview', { params: { path: { id } }, body: { targetId, readingIds } })),
    }),
  capture: (id: string) =>
    queryOptions({
      queryKey: ['capture', id],
      queryFn: () => data(api.GET('/api/readings/{id}/capture', { params: { path: { id } } })),
      staleTime: Infinity,
    }),
  certificates: (search: string) =>
    queryOptions({
      queryKey: ['certificates', search],
      queryFn: () => data(api.GET('/api/certificates', { params: { query: { search } } })),
    }),
  onCertificates: (visitId: string) =>
    queryOptions({
      queryKey: ['certificates', 'of visit', visitId],
      queryFn: () => data(api.GET('/api/certificates/of-visit/{visit}', { params: { path: { visit: visitId } } })),
    }),
  preview: (id: string) =>
    queryOptions({
      queryKey: ['preview', id],
      queryFn: () => data(api.GET('/api/certificates/{id}/preview', { params: { path: { id } } })),
      staleTime: 0,
    }),
  accounts: () => queryOptions({ queryKey: ['accounts'], queryFn: () => data(api.GET('/api/accounts')) }),
  audit: () => queryOptions({ queryKey: ['audit'], queryFn: () => data(api.GET('/api/audit')) }),
}
