import type { ReactNode } from 'react'
import type { ConnectionView } from '../api/types'
import { Button } from '../parts/Button'
import { day, span } from '../units/format'
import { written } from '../units/locale'
import { t } from '../words/t'
import { useOptionName } from './useOptionName'

/** Battery, clock, calibration: what may spoil a walk, seen before it begins. */
export function InstrumentFacts({
  connection,
  onSetClock,
  firmware,
}: {
  connection: ConnectionView
  onSetClock: () => void
  firmware: ReactNode
}) {
  const { instrument, clockAheadSeconds } = connection
  const optionName = useOptionName()
  const expired = instrument.calibratedUntil !== null && new Date(instrument.calibratedUntil) < new Date()
  return (
    <dl className="mb-4 flex flex-wrap gap-x-9 gap-y-2">
      {connection.batteryPercent !== null && <Fact name={t('instruments:battery')}>{connection.batteryPercent} %</Fact>}
      {connection.temperatureCelsius !== null && (
        <Fact name={t('instruments:temperature')}>{written(connection.temperatureCelsius.toFixed(1))} °C</Fact>
      )}
      <Fact name={t('instruments:clock')}>
        {clockAheadSeconds === null ? (
          t('instruments:clockUnknown')
        ) : connection.clockIsWrong ? (
          <>
            <span className="font-semibold">
              {t('instruments:clockWrong', { span: span(clockAheadSeconds), ahead: clockAheadSeconds > 0 })}
            </span>{' '}
            <Button onClick={onSetClock}>{t('instruments:setClock')}</Button>
          </>
        ) : (
          t('instruments:clockRight')
        )}
      </Fact>
      <Fact name={t('instruments:calibrated')}>
        <span className={expired ? 'font-semibold' : ''}>
          {instrument.calibratedUntil === null ? '–' : day(instrument.calibratedUntil)}
        </span>
      </Fact>
      <Fact name={t('instruments:options')}>
        {instrument.options.map(optionName).join(', ')}
        {connection.availableOptions.length > 0 && (
          <span className="block text-ink3">
            {t('instruments:couldHave', { options: connection.availableOptions.map(optionName).join(', ') })}
          </span>
        )}
      </Fact>
      <Fact name={t('instruments:firmware')}>{firmware}</Fact>
    </dl>
  )
}

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div>
      <dt className="text-[12px] font-semibold text-ink2">{name}</dt>
      <dd>{children}</dd>
    </div>
  )
}
