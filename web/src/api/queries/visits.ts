import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query'
import { api, data } from '../client'
import * as shown from '../shown'
import type { VisitSheet } from '../types'

/** As many as the server gives at once. */
const visitsAPage = 200

/** What came back, and the papers that follow from it. */
export const visits = {
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
  visit: (id: string) =>
    queryOptions({
      queryKey: ['visit', id],
      queryFn: async (): Promise<VisitSheet> =>
        shown.visit(await data(api.GET('/api/visits/{id}', { params: { path: { id } } }))),
    }),
  corrections: (id: string) =>
    queryOptions({
      queryKey: ['visit', id, 'corrections'],
      queryFn: () => data(api.GET('/api/visits/{id}/corrections', { params: { path: { id } } })),
    }),
  movePlan: (id: string, targetId: string, readingIds: string[]) =>
    queryOptions({
      queryKey: ['visit', id, 'move', targetId, readingIds],
      queryFn: () =>
        data(api.POST('/api/visits/{id}/move-preview', { params: { path: { id } }, body: { targetId, readingIds } })),
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
}
