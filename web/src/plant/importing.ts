import { api, data } from '../api/client'
import { asForm } from '../api/fileForm'
import type { Committed, ImportPreview } from '../api/types'

/** Rows to be taken into the plant, in whatever way they come. */
export type ImportSource =
  { kind: 'text'; text: string; parentId: string | null } | { kind: 'file'; file: File; parentId: string | null }

export function previewImport(source: ImportSource): Promise<ImportPreview> {
  if (source.kind === 'text') {
    return data(api.POST('/api/plant/paste/preview', { body: { parentId: source.parentId, text: source.text } }))
  }
  return data(
    api.POST('/api/plant/import/preview', {
      params: { query: { parentId: source.parentId ?? undefined } },
      ...asForm(source.file),
    }),
  )
}

/** @param changeId of the change, and of the work that may be followed meanwhile */
export function takeImport(source: ImportSource, digest: string, changeId: string): Promise<Committed> {
  if (source.kind === 'text') {
    return data(
      api.POST('/api/plant/paste', { body: { parentId: source.parentId, text: source.text, changeId, digest } }),
    )
  }
  return data(
    api.POST('/api/plant/import', {
      params: { query: { parentId: source.parentId ?? undefined, changeId, digest } },
      ...asForm(source.file),
    }),
  )
}
