import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { Standing } from '../api/types'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { FilterBar } from '../plant/FilterBar'
import { everything, filterOf, type Looking } from '../plant/looking'
import { useOutline } from '../plant/useOutline'
import type { useStops } from './useStops'

const ROW = 29

function checksIn(standing: Standing): number {
  return standing.pass + standing.watch + standing.fail + standing.notJudged
}

/** The plant with a box at every row; a box above ticks all checks below it that the filter finds. */
export function CheckChooser({ stops }: { stops: ReturnType<typeof useStops> }) {
  const [looking, setLooking] = useState<Looking>(everything)
  const filter = useMemo(() => filterOf(looking), [looking])
  const outline = useOutline(filter, undefined)
  const scroller = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({
    count: outline.rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
  })
  return (
    <div className="flex h-full flex-col">
      <FilterBar looking={looking} whole={outline.plant?.whole} onChange={setLooking} />
      <Trouble error={outline.error} />
      <div ref={scroller} className="min-h-0 flex-1 overflow-auto">
        <div className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((item) => {
            const row = outline.rows[item.index]
            if (!row) return null
            const all = checksIn(row.line.standing)
            const ticked = stops.countBelow(row.node.id)
            return (
              <div
                key={row.node.id}
                className="absolute inset-x-0 flex h-[29px] items-center gap-2 border-b border-rule px-3 hover:bg-paper2"
                style={{ top: item.start, paddingLeft: 2 + row.depth * 15 }}
              >
                <button
                  type="button"
                  aria-label={`${row.isOpen ? '−' : '+'} ${row.node.tag || row.node.name}`}
                  className="h-6 w-6 shrink-0 cursor-pointer text-[10px] text-ink2"
                  disabled={!row.hasChildren}
                  onClick={() => void outline.setOpen(row.node.id, !row.isOpen)}
                >
                  {row.hasChildren ? (row.isOpen ? '▼' : '▶') : ''}
                </button>
                <label className="flex min-w-0 flex-1 cursor-pointer items-center gap-2">
                  <Box
                    checked={all > 0 && ticked >= all}
                    some={ticked > 0 && ticked < all}
                    disabled={all === 0}
                    onChange={(on) => (on ? void stops.addBelow(row.node.id, filter) : stops.dropBelow(row.node.id))}
                  />
                  <Tag text={row.node.tag} />
                  <span className={`truncate ${row.node.level === 'CHECK' ? 'text-ink2' : ''}`}>{row.node.name}</span>
                </label>
                {ticked > 0 && row.node.level !== 'CHECK' && <span className="text-[12px] text-ink3">{ticked}</span>}
              </div>
            )
          })}
        </div>
      </div>
    </div>
  )
}

function Box({
  checked,
  some,
  disabled,
  onChange,
}: {
  checked: boolean
  some: boolean
  disabled: boolean
  onChange: (on: boolean) => void
}) {
  const box = useRef<HTMLInputElement>(null)
  useEffect(() => {
    if (box.current) box.current.indeterminate = some
  }, [some])
  return (
    <input
      ref={box}
      type="checkbox"
      className="h-4 w-4 accent-plum"
      checked={checked}
      disabled={disabled}
      onChange={(event) => onChange(event.target.checked)}
    />
  )
}
