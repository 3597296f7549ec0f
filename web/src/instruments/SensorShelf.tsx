import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { SensorView } from '../api/types'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { day } from '../units/format'
import { written } from '../units/locale'
import { today } from '../units/times'
import { t } from '../words/t'
import { SensorDialog } from './SensorDialog'

/** The sensors one has: checks name them, and so are measured with the sensitivity they have now. */
export function SensorShelf() {
  const sensors = useQuery(queries.sensors())
  const mayEdit = useMay().edit
  const [opened, setOpened] = useState<SensorView | 'new' | null>(null)
  return (
    <section aria-label={t('sensors:title')}>
      <h2 className="border-b border-rule2 px-3 pt-4 pb-1 font-semibold">{t('sensors:title')}</h2>
      <Trouble error={sensors.error} />
      {sensors.data?.length === 0 && <p className="px-3 py-2 text-ink2">{t('sensors:none')}</p>}
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
              {written(String(sensor.sensitivity))} {sensor.unit}
            </span>
          </span>
          <span className="text-[12px] text-ink2">{stateOf(sensor)}</span>
        </button>
      ))}
      {mayEdit && (
        <div className="px-3 py-2.5">
          <Button onClick={() => setOpened('new')}>{t('sensors:register')}</Button>
        </div>
      )}
      {opened && <SensorDialog sensor={opened === 'new' ? undefined : opened} onClose={() => setOpened(null)} />}
    </section>
  )
}

function stateOf(sensor: SensorView): string {
  if (sensor.retired) return t('sensors:isRetired')
  if (!sensor.dueOn)
    return sensor.calibratedOn ? `${t('sensors:calibrated')} ${day(sensor.calibratedOn)}` : t('sensors:uncalibrated')
  return sensor.dueOn < today()
    ? `${t('sensors:due')} ${day(sensor.dueOn)}`
    : t('sensors:until', { day: day(sensor.dueOn) })
}
