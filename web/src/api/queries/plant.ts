import { queryOptions } from '@tanstack/react-query'
import { api, data } from '../client'
import * as shown from '../shown'
import type { OutlineFilter, ReportChoice, Sheet } from '../types'

/** The plant: what there is, what is checked, and what is set on it. */
export const plant = {
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
  sensorUsers: (tag: string) =>
    queryOptions({
      queryKey: ['sensors', tag, 'users'],
      queryFn: () => data(api.GET('/api/plant/sensors/{tag}/users', { params: { path: { tag } } })),
    }),
}
