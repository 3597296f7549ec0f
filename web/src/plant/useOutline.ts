import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { api, data } from '../api/client'
import type { OutlineFilter, OutlineRow, Standing } from '../api/types'
import { type Blocks, type Row, rowsOf, standsTwice, TOP, withoutRows } from './outline'

/** What is open of the plant under one filter. */
export interface OpenPlant {
  blocks: Blocks
  /** What was ever opened: a removed row that comes back is open as it was. */
  open: readonly string[]
  hits: number
  whole: Standing
  nodes: number
}

export function isFiltering(filter: OutlineFilter): boolean {
  return Object.values(filter).some((value) => value !== null)
}

async function readOutline(
  filter: OutlineFilter,
  before: OpenPlant | undefined,
  reveal: string | undefined,
): Promise<OpenPlant> {
  const outline = await data(
    api.POST('/api/outline', {
      body: { open: (before ? before.open : null) as string[], reveal: reveal ?? null, filter },
    }),
  )
  const blocks: Record<string, OutlineRow[]> = {}
  for (const block of outline.blocks) blocks[block.parentId ?? TOP] = block.rows
  const open = [...new Set([...(before?.open ?? []), ...Object.keys(blocks)])].filter((id) => id !== TOP)
  return { blocks, open, hits: outline.hits, whole: outline.whole, nodes: outline.nodes }
}

/** With what stands in one node. What was moved there meanwhile leaves where it stood. */
function withBlock(plant: OpenPlant, id: string, rows: readonly OutlineRow[]): OpenPlant {
  return { ...plant, open: [...plant.open, id], blocks: { ...withoutRows(plant.blocks, rows), [id]: rows } }
}

/** The plant as far as it is open; folds and unfolds it. The server is asked for no more than is seen. */
export function useOutline(filter: OutlineFilter, reveal: string | undefined) {
  const client = useQueryClient()
  const key = useMemo(() => ['outline', filter] as const, [filter])
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set())
  const query = useQuery({
    queryKey: key,
    queryFn: () => readOutline(filter, client.getQueryData<OpenPlant>(key), reveal),
    placeholderData: (previous) => previous,
  })
  const plant = query.data
  const blocks = plant?.blocks
  const rows: Row[] = useMemo(() => (blocks ? rowsOf(blocks, folded) : []), [blocks, folded])

  const setOpen = useCallback(
    async (id: string, open: boolean) => {
      setFolded((before) => {
        const next = new Set(before)
        if (open) next.delete(id)
        else next.add(id)
        return next
      })
      const present = client.getQueryData<OpenPlant>(key)
      if (!open || !present || present.blocks[id]) return
      const block = await data(api.POST('/api/outline/children', { body: { parentId: id, filter } }))
      client.setQueryData<OpenPlant>(key, (now) => now && withBlock(now, id, block.rows))
      if (standsTwice(present.blocks, id, block.rows)) await client.invalidateQueries({ queryKey: key })
    },
    [client, key, filter],
  )

  // Something chosen from elsewhere may lie in what is not open yet.
  const isMissing =
    reveal !== undefined &&
    blocks !== undefined &&
    !Object.values(blocks).some((lines) => lines.some((line) => line.node.id === reveal))
  useEffect(() => {
    if (!isMissing || query.isPlaceholderData) return
    void readOutline(filter, client.getQueryData<OpenPlant>(key), reveal).then((found) =>
      client.setQueryData<OpenPlant>(key, found),
    )
  }, [isMissing, query.isPlaceholderData, client, key, filter, reveal])

  return { plant, rows, setOpen, key, error: query.error, isFresh: !query.isPlaceholderData }
}
