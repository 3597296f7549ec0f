import type { ReactNode } from 'react'
import type { ConnectionView } from '../api/types'
import { Button } from '../parts/Button'
import { day, span } from '../units/format'
import { words } from '../words/en'

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
  const expired = instrument.calibratedUntil !== null && new Date(instrument.calibratedUntil) < new Date()
  return (
    <dl className="mb-4 flex flex-wrap gap-x-9 gap-y-2">
      {connection.batteryPercent !== null && (
        <Fact name={words.instruments.battery}>{connection.batteryPercent} %</Fact>
      )}
      {connection.temperatureCelsius !== null && (
        <Fact name={words.instruments.temperature}>{connection.temperatureCelsius.toFixed(1)} °C</Fact>
      )}
      <Fact name={words.instruments.clock}>
        {clockAheadSeconds === null ? (
          words.instruments.clockUnknown
        ) : connection.clockIsWrong ? (
          <>
            <span className="font-semibold">
              {words.instruments.clockWrong(span(clockAheadSeconds), clockAheadSeconds > 0)}
            </span>{' '}
            <Button onClick={onSetClock}>{words.instruments.setClock}</Button>
          </>
        ) : (
          words.instruments.clockRight
        )}
      </Fact>
      <Fact name={words.instruments.calibrated}>
        <span className={expired ? 'font-semibold' : ''}>
          {instrument.calibratedUntil === null ? '–' : day(instrument.calibratedUntil)}
        </span>
      </Fact>
      <Fact name={words.instruments.options}>
        {instrument.options.join(', ')}
        {connection.availableOptions.length > 0 && (
          <span className="block text-ink3">{words.instruments.couldHave(connection.availableOptions.join(', '))}</span>
        )}
      </Fact>
      <Fact name={words.instruments.firmware}>{firmware}</Fact>
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
