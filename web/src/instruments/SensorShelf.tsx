import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { SensorView } from '../api/types'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { day } from '../units/format'
import { words } from '../words/en'
import { SensorDialog } from './SensorDialog'

const text = words.sensors

/** The sensors one has: checks name them, and so are measured with the sensitivity they have now. */
export function SensorShelf() {
  const sensors = useQuery(queries.sensors())
  const mayEdit = useMay().edit
  const [opened, setOpened] = useState<SensorView | 'new' | null>(null)
  return (
    <section aria-label={text.title}>
      <h2 className="border-b border-rule2 px-3 pt-4 pb-1 font-semibold">{text.title}</h2>
      <Trouble error={sensors.error} />
      {sensors.data?.length === 0 && <p className="px-3 py-2 text-ink2">{text.none}</p>}
      {sensors.data?.map((sensor) => (
        <button
          key={sensor.id}
          type="button"
          disabled={!mayEdit}
          onClick={() => setOpened(sensor)}
          className={`block w-full cursor-pointer border-b border-b-rule px-3 py-1.5 text-left hover:bg-paper disabled:cursor-default ${sensor.retired ? 'text-ink3' : ''}`}
        >
          <span className="flex items-center justify-between gap-2">
            <Tag text={sensor.tag} />
            <span className="whitespace-nowrap">
              {sensor.sensitivity} {sensor.unit}
            </span>
          </span>
          <span className="text-[12px] text-ink2">{stateOf(sensor)}</span>
        </button>
      ))}
      {mayEdit && (
        <div className="px-3 py-2.5">
          <Button onClick={() => setOpened('new')}>{text.register}</Button>
        </div>
      )}
      {opened && <SensorDialog sensor={opened === 'new' ? undefined : opened} onClose={() => setOpened(null)} />}
    </section>
  )
}

function stateOf(sensor: SensorView): string {
  if (sensor.retired) return text.isRetired
  if (!sensor.dueOn) return sensor.calibratedOn ? `${text.calibrated} ${day(sensor.calibratedOn)}` : text.uncalibrated
  return sensor.dueOn < new Date().toISOString().slice(0, 10)
    ? `${text.due} ${day(sensor.dueOn)}`
    : text.until(day(sensor.dueOn))
}
