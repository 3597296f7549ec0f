import { queryOptions } from '@tanstack/react-query'
import { api, data } from '../client'
import * as shown from '../shown'
import type { LimitForm, LimitLine, LimitPreview } from '../types'

/** A limit without rules is none. */
export const noLimit: LimitForm = { rules: [], hysteresis: 0, boundaryIsPast: false, unit: null }

/** What is right, and what it would do. */
export const limits = {
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
      queryFn: async (): Promise<LimitPreview> =>
        shown.limitPreview(
          await data(
            api.POST('/api/nodes/{nodeId}/limits/{technique}/{resultId}/preview', {
              params: { path: { nodeId, technique, resultId } },
              body: { ...saying, limit: saying.limit ?? noLimit, isInherited: false },
            }),
          ),
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
      queryFn: async (): Promise<LimitPreview> =>
        shown.limitPreview(
          await data(
            api.POST('/api/nodes/{nodeId}/limits/{technique}/{resultId}/proposals/preview', {
              params: { path: { nodeId, technique, resultId } },
              body: { source, from },
            }),
          ),
        ),
      retry: false,
    }),
}
