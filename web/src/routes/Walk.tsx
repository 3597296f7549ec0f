import { type DragEvent, type KeyboardEvent, useState } from 'react'
import { type Action, runByKey, useLatestActions } from '../actions/actions'
import { t } from '../words/t'
import { StopPicture } from './StopPicture'
import type { Stop } from './useStops'
import { WalkRow } from './WalkRow'

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

/** What keys do with the stop that has the focus. */
function stopActions(move: (by: number) => void): Action[] {
  const action = (chord: string, by: number): Action => ({
    id: 'stop.move',
    does: 'routes:stopKeys.move.does',
    keys: 'routes:stopKeys.move.keys',
    chords: [chord],
    may: true,
    isCommand: false,
    run: () => move(by),
  })
  return [action('Alt+ArrowUp', -1), action('Alt+ArrowDown', 1)]
}

const listed = stopActions(() => undefined)

/** The stops in walking order: dragged, or moved with Alt and the arrow keys. */
export function Walk({ stops, onChange }: Props) {
  useLatestActions(listed)
  const [dragged, setDragged] = useState<number | null>(null)
  const [over, setOver] = useState<number | null>(null)
  const [picturing, setPicturing] = useState<Stop | null>(null)
  if (stops.length === 0) return <p className="text-ink2">{t('routes:empty')}</p>
  const replace = (stop: Stop, by: Partial<Stop>) =>
    onChange(stops.map((other) => (other.checkId === stop.checkId ? { ...stop, ...by } : other)))
  const move = (from: number, to: number) => to >= 0 && to < stops.length && onChange(moved(stops, from, to))
  const onKeyDown = (event: KeyboardEvent, i: number) => {
    runByKey(
      stopActions((by) => move(i, i + by)),
      event,
    )
  }
  const markOf = (i: number) =>
    over === i && dragged !== null && dragged !== i
      ? dragged < i
        ? 'shadow-[inset_0_-2px_0_var(--plum)]'
        : 'shadow-[inset_0_2px_0_var(--plum)]'
      : ''
  const dragging = (i: number) => ({
    onDragOver: (event: DragEvent) => {
      event.preventDefault()
      setOver(i)
    },
    onDrop: () => {
      if (dragged !== null) move(dragged, i)
      setDragged(null)
      setOver(null)
    },
  })
  return (
    <>
      <table className="ledger">
        <tbody>
          {stops.map((stop, i) => (
            <tr
              key={stop.checkId}
              className={`group ${markOf(i)}`}
              {...dragging(i)}
              onKeyDown={(event) => onKeyDown(event, i)}
            >
              <WalkRow
                stop={stop}
                number={i + 1}
                isFirstOfAsset={stop.assetTag !== stops[i - 1]?.assetTag || stop.assetName !== stops[i - 1]?.assetName}
                isLast={i === stops.length - 1}
                onDragStart={() => setDragged(i)}
                onDragEnd={() => setDragged(null)}
                onMove={(by) => move(i, i + by)}
                onInstruction={(instruction) => replace(stop, { instruction })}
                onPicture={() => setPicturing(stop)}
                onDrop={() => onChange(stops.filter((other) => other !== stop))}
              />
            </tr>
          ))}
        </tbody>
      </table>
      {picturing && (
        <StopPicture
          stop={picturing}
          onClose={() => setPicturing(null)}
          onChoose={(pictureId) => {
            replace(picturing, { pictureId })
            setPicturing(null)
          }}
        />
      )}
    </>
  )
}
