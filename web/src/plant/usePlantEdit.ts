import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import type { PlantNode } from '../api/types'
import { refresh } from '../api/refresh'
import { say } from '../parts/notices'
import { words } from '../words/en'
import { type DraftPlace, labelOf, type NewCheck, parseLabel } from './outline'

/** What can be done to the plant. One change after the other, each with its undo. */
export function usePlantEdit() {
  const client = useQueryClient()
  const mutationKey = ['plant']
  const scope = { id: 'plant' }
  /** Read anew when the last of several changes is done: an answer from in between would take rows away that were just typed. */
  const settled = () =>
    client.isMutating({ mutationKey }) > 1
      ? undefined
      : refresh(client, 'plant', 'overview', 'sheet', 'routes', 'today')

  const undo = useMutation({
    mutationKey,
    scope,
    mutationFn: (id: string) => data(api.POST('/api/plant/changes/{id}/undo', { params: { path: { id } } })),
    onSuccess: () => say(words.plant.undone),
    onError: (error) => say(error.message),
    onSettled: settled,
  })
  const done = (text: string, changeId: string | null) => say(text, changeId ? () => undo.mutate(changeId) : undefined)

  const add = useMutation({
    mutationKey,
    scope,
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
      void client.cancelQueries({ queryKey: ['plant'] })
      const label = parseLabel(text, place.level)
      const node: PlantNode = {
        id,
        parentId: place.parentId,
        level: place.level,
        tag: label.tag,
        name: check?.preset ?? label.name,
        nameplate: '',
        technique: check?.technique ?? '',
        version: 0,
      }
      client.setQueryData<PlantNode[]>(['plant'], (nodes = []) => {
        const at = nodes.findIndex((other) => other.id === place.afterId)
        return at < 0 ? [...nodes, node] : [...nodes.slice(0, at + 1), node, ...nodes.slice(at + 1)]
      })
    },
    onSuccess: (changed) => done(words.plant.added(labelOf(changed.node) || words.level.CHECK), changed.changeId),
    onError: (error) => say(error.message),
    onSettled: settled,
  })

  const rename = useMutation({
    mutationKey,
    scope,
    mutationFn: ({ node, tag, name }: { node: PlantNode; tag: string; name: string }) =>
      data(
        api.PATCH('/api/plant/nodes/{id}', {
          params: { path: { id: node.id } },
          body: { tag, name, nameplate: null, version: node.version },
        }),
      ),
    onSuccess: (changed) => done(words.plant.renamed(labelOf(changed.node)), changed.changeId),
    onError: (error) => say(error.message),
    onSettled: settled,
  })

  const setNameplate = useMutation({
    mutationKey,
    scope,
    mutationFn: ({ node, nameplate }: { node: PlantNode; nameplate: string }) =>
      data(
        api.PATCH('/api/plant/nodes/{id}', {
          params: { path: { id: node.id } },
          body: { tag: null, name: null, nameplate, version: node.version },
        }),
      ),
    onSuccess: (changed) => done(words.plant.renamed(labelOf(changed.node)), changed.changeId),
    onError: (error) => say(error.message),
    onSettled: settled,
  })

  const move = useMutation({
    mutationKey,
    scope,
    mutationFn: ({ id, parentId, afterId }: { id: string; parentId: string | null; afterId: string | null }) =>
      data(api.POST('/api/plant/nodes/{id}/move', { params: { path: { id } }, body: { parentId, afterId } })),
    onSuccess: (changed) => done(words.plant.moved(labelOf(changed.node)), changed.changeId),
    onError: (error) => say(error.message),
    onSettled: settled,
  })

  const remove = useMutation({
    mutationKey,
    scope,
    mutationFn: (node: PlantNode) => data(api.DELETE('/api/plant/nodes/{id}', { params: { path: { id: node.id } } })),
    onSuccess: (changed, node) => done(words.plant.removed(labelOf(node)), changed.changeId),
    onError: (error) => say(error.message),
    onSettled: settled,
  })

  return { add, rename, setNameplate, move, remove, undo }
}
