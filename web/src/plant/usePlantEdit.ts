import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, type Clash, data, Problem } from '../api/client'
import type { Committed, OutlineFilter, OutlineRow, PlantNode } from '../api/types'
import { changed } from '../api/subjects'
import { say } from '../parts/notices'
import { t } from '../words/t'
import { raise } from './contradictions'
import { type ImportSource, takeImport } from './importing'
import { type Blocks, type DraftPlace, labelOf, type NewCheck, parseLabel, type Target, TOP } from './outline'
import { ADDING } from './useAdding'
import { remember, rememberRedone, rememberUndone } from './plantHistory'
import type { OpenPlant } from './useOutline'

/** How one thing of a node changes: as it was seen, and as it shall be. */
export type Facets = Record<string, { from: string; to: string }>

const nothingBelow = (nodeId: string) => ({
  nodeId,
  worst: 'NOT_JUDGED' as const,
  pass: 0,
  watch: 0,
  fail: 0,
  notJudged: 0,
  worse: 0,
  readAt: null,
  spark: [],
  sparkFail: null,
})

/** The open plant with one row more, which the server does not know yet. */
function withRow(plant: OpenPlant, node: PlantNode, afterId: string | null): OpenPlant {
  const parent = node.parentId ?? TOP
  const siblings = plant.blocks[parent] ?? []
  const line: OutlineRow = { node, children: 0, isHit: false, standing: nothingBelow(node.id) }
  const at = afterId === null ? siblings.length : siblings.findIndex((other) => other.node.id === afterId) + 1
  const blocks: Record<string, readonly OutlineRow[]> = {
    ...plant.blocks,
    [parent]: [...siblings.slice(0, at), line, ...siblings.slice(at)],
  }
  for (const [id, lines] of Object.entries(blocks)) {
    if (lines.some((other) => other.node.id === node.parentId)) {
      blocks[id] = lines.map((other) =>
        other.node.id === node.parentId ? { ...other, children: other.children + 1 } : other,
      )
    }
  }
  return {
    ...plant,
    open: node.parentId ? [...plant.open, node.parentId] : plant.open,
    blocks: blocks satisfies Blocks,
  }
}

/** Rows to be moved, and where each stood when that was decided. */
interface Moving {
  ids: string[]
  target: Target
  seen: { id: string; parentId: string | null }[]
}

function isContradiction(error: Error): error is Problem {
  return error instanceof Problem && error.clashes.length > 0
}

/** The same change once more, over what stands now. */
function insisting(clashes: readonly Clash[]) {
  const byNode = new Map<string, Facets>()
  for (const clash of clashes) {
    byNode.set(clash.node, { ...byNode.get(clash.node), [clash.facet]: { from: clash.theirs, to: clash.yours } })
  }
  return [...byNode].map(([node, facets]) => ({ node, facets }))
}

/**
 * What can be done to the plant. One change after the other, each with its undo.
 *
 * onRefused is told where a row was to stand that could not be added.
 */
export function usePlantEdit(outlineKey?: readonly unknown[], onRefused?: (parentId: string | null) => void) {
  const client = useQueryClient()
  const mutationKey = ['plant']
  const scope = { id: 'plant' }
  /** Read again when the last of several changes is done: an answer from in between would take rows away that were just typed. */
  const onSettled = () => (client.isMutating({ mutationKey }) > 1 ? undefined : changed(client, 'plant'))
  const onError = (error: Error) => say(error.message)
  const common = { mutationKey, scope, onError, onSettled }

  const undo = useMutation({
    ...common,
    mutationFn: (id: string) => data(api.POST('/api/plant/changes/{id}/undo', { params: { path: { id } } })),
    onSuccess: (_, id) => {
      rememberUndone(id)
      say(t('plant:undone'))
    },
  })
  const redo = useMutation({
    ...common,
    mutationFn: (id: string) => data(api.POST('/api/plant/changes/{id}/redo', { params: { path: { id } } })),
    onSuccess: (_, id) => {
      rememberRedone(id)
      say(t('plant:redone'))
    },
  })
  const done = (text: string, changeId: string | null) => {
    if (changeId) remember(changeId)
    say(text, changeId ? () => undo.mutate(changeId) : undefined)
  }
  const onSuccess = (committed: Committed) => done(`${committed.sentence}.`, committed.changeId)

  const add = useMutation({
    ...common,
    mutationKey: ADDING,
    mutationFn: (wanted: { id: string; place: DraftPlace; text: string; check: NewCheck | null }) => {
      const { place } = wanted
      const label = parseLabel(wanted.text, place.level)
      return data(
        api.POST('/api/plant/nodes', {
          body: {
            id: wanted.id,
            parentId: place.parentId,
            level: place.level,
            tag: label.tag,
            name: label.name,
            afterId: place.afterId,
            technique: wanted.check?.technique ?? null,
            preset: wanted.check?.preset ?? null,
          },
        }),
      )
    },
    // The row stands at once, so that typing goes on without waiting.
    onMutate: ({ id, place, text, check }) => {
      if (!outlineKey) return
      void client.cancelQueries({ queryKey: ['outline'] })
      const label = parseLabel(text, place.level)
      const node: PlantNode = {
        id,
        parentId: place.parentId,
        level: place.level,
        tag: label.tag,
        name: check?.preset ?? label.name,
        ownName: label.name,
        technique: check?.technique ?? '',
        assetClass: '',
        nameplate: {},
      }
      client.setQueryData<OpenPlant>(outlineKey, (plant) => plant && withRow(plant, node, place.afterId))
    },
    onError: (error, { place }) => {
      onError(error)
      onRefused?.(place.parentId)
    },
    onSuccess: (changed) =>
      done(t('plant:added', { name: labelOf(changed.node) || t('common:level.CHECK') }), changed.changeId),
  })

  const alter = useMutation({
    ...common,
    mutationFn: ({ nodes }: { nodes: { node: string; facets: Facets }[] }) =>
      data(api.POST('/api/plant/alter', { body: { changeId: crypto.randomUUID(), nodes } })),
    onSuccess,
    onError: (error) => {
      if (!isContradiction(error)) return onError(error)
      raise({ clashes: error.clashes, takeMine: () => alter.mutate({ nodes: insisting(error.clashes) }) })
    },
  })

  /** Where the rows stood is told along: who moves what somebody else moved first is asked. */
  const move = useMutation({
    ...common,
    mutationFn: ({ ids, target, seen }: Moving) =>
      data(api.POST('/api/plant/move', { body: { changeId: crypto.randomUUID(), ids, ...target, seen } })),
    onSuccess,
    onError: (error, wanted) => {
      if (!isContradiction(error)) return onError(error)
      const theirs = new Map(error.clashes.map((clash) => [clash.node, clash.theirs]))
      const seen = wanted.seen.map((one) => ({ id: one.id, parentId: theirs.get(one.id) ?? one.parentId }))
      raise({ clashes: error.clashes, takeMine: () => move.mutate({ ...wanted, seen }) })
    },
  })
  const copy = useMutation({
    ...common,
    mutationFn: ({ ids, target }: { ids: string[]; target: Target }) =>
      data(api.POST('/api/plant/copy', { body: { changeId: crypto.randomUUID(), ids, ...target, seen: null } })),
    onSuccess,
  })

  const remove = useMutation({
    ...common,
    mutationFn: (ids: string[]) =>
      data(api.POST('/api/plant/remove', { body: { changeId: crypto.randomUUID(), ids } })),
    onSuccess,
  })

  const stamp = useMutation({
    ...common,
    mutationFn: ({
      template,
      ...body
    }: {
      template: string
      parentId: string
      afterId: string | null
      tags: string
      name: string
    }) =>
      data(
        api.POST('/api/templates/{id}/stamp', {
          params: { path: { id: template } },
          body: { changeId: crypto.randomUUID(), ...body },
        }),
      ),
    onSuccess,
    onError: undefined,
  })
  const follow = useMutation({
    ...common,
    mutationFn: ({ template, assets }: { template: string; assets: string[] }) =>
      data(api.POST('/api/templates/{id}/follow', { params: { path: { id: template } }, body: assets })),
    onSuccess,
  })
  /** Rows that were looked at before, out of a paste or a file. */
  const take = useMutation({
    ...common,
    mutationFn: ({ source, digest, changeId }: { source: ImportSource; digest: string; changeId: string }) =>
      takeImport(source, digest, changeId),
    onSuccess,
    onError: undefined,
  })

  const changeMany = useMutation({
    ...common,
    mutationFn: (many: { ids: string[] | null; filter: OutlineFilter | null; facets: Record<string, string> }) =>
      data(
        api.POST('/api/bulk', {
          body: {
            changeId: crypto.randomUUID(),
            ids: many.ids as string[],
            filter: many.filter as OutlineFilter,
            facets: many.facets,
          },
        }),
      ),
    onSuccess,
    onError: undefined,
  })

  return { add, alter, move, copy, remove, undo, redo, stamp, follow, take, changeMany }
}
