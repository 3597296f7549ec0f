import { useState } from 'react'
import { Button } from '../parts/Button'
import { Tag } from '../parts/Tag'
import { words } from '../words/en'
import type { Stop } from './useStops'

interface Props {
  stops: Stop[]
  onChange: (stops: Stop[]) => void
}

function moved(stops: Stop[], from: number, to: number): Stop[] {
  const copy = [...stops]
  const [stop] = copy.splice(from, 1)
  if (stop) copy.splice(to, 0, stop)
  return copy
}

/** The stops in walking order. */
export function Walk({ stops, onChange }: Props) {
  const [dragged, setDragged] = useState<number | null>(null)
  const [over, setOver] = useState<number | null>(null)
  if (stops.length === 0) return <p className="text-ink2">{words.routes.empty}</p>
  return (
    <table className="ledger">
      <tbody>
        {stops.map((stop, i) => {
          const first = stop.assetTag !== stops[i - 1]?.assetTag || stop.assetName !== stops[i - 1]?.assetName
          return (
            <tr
              key={stop.checkId}
              className={`group ${over === i && dragged !== null && dragged !== i ? (dragged < i ? 'shadow-[inset_0_-2px_0_var(--plum)]' : 'shadow-[inset_0_2px_0_var(--plum)]') : ''}`}
              onDragOver={(event) => {
                event.preventDefault()
                setOver(i)
              }}
              onDrop={() => {
                if (dragged !== null) onChange(moved(stops, dragged, i))
                setDragged(null)
                setOver(null)
              }}
            >
              <td className="num w-8 cursor-grab text-ink3" draggable onDragStart={() => setDragged(i)} onDragEnd={() => setDragged(null)}>
                {i + 1}
              </td>
              <td className="w-24">{first && <Tag text={stop.assetTag} />}</td>
              <td className="w-full max-w-0">
                <span className="flex items-center gap-3">
                  <span className="whitespace-nowrap">
                    {stop.point} <span className="text-ink2">{stop.check}</span>
                  </span>
                  <input
                    aria-label={`${words.routes.instruction} ${i + 1}`}
                    placeholder={words.routes.instruction}
                    title={stop.instruction}
                    className="min-w-0 flex-1 border-b border-transparent bg-transparent px-1 text-ink2 placeholder:text-transparent hover:placeholder:text-ink3 focus:border-rule2 focus:placeholder:text-ink3"
                    value={stop.instruction}
                    maxLength={500}
                    onChange={(event) => onChange(stops.map((other) => (other === stop ? { ...stop, instruction: event.target.value } : other)))}
                  />
                </span>
              </td>
              <td className="num whitespace-nowrap">
                <span className="inline-flex gap-1 opacity-70 group-hover:opacity-100 group-focus-within:opacity-100">
                  <Button className="h-6 min-w-6" aria-label={`${words.routes.up} ${i + 1}`} disabled={i === 0} onClick={() => onChange(moved(stops, i, i - 1))}>
                    ↑
                  </Button>
                  <Button className="h-6 min-w-6" aria-label={`${words.routes.down} ${i + 1}`} disabled={i === stops.length - 1} onClick={() => onChange(moved(stops, i, i + 1))}>
                    ↓
                  </Button>
                  <Button className="h-6 min-w-6" aria-label={`${words.routes.drop} ${i + 1}`} onClick={() => onChange(stops.filter((other) => other !== stop))}>
                    ×
                  </Button>
                </span>
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
