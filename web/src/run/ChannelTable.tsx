import type { RunStatistics } from '../api/types'
import { Button } from '../parts/Button'
import { Decimal, mostDecimals } from '../parts/Decimal'
import { change, elapsed, limit, number } from '../units/format'
import { written } from '../units/locale'
import { t } from '../words/t'
import { toneOf } from './LanePlot'
import { type Channel, lanesOf } from './lanes'

interface Props {
  channels: Channel[]
  statistics: RunStatistics[]
  /** The place whose values are told: under cursor A, else under the pointer. */
  at: number | null
  second: number | null
  isPart: boolean
  hidden: string[]
  onHide: (name: string) => void
  chosen: string | null
  onChoose: (name: string) => void
}

function limitsSay({ low, high, unit }: Channel): string {
  if (low !== null && high !== null) return `${limit(low, unit)}–${limit(high, unit)}`
  if (high !== null) return `≤ ${limit(high, unit)}`
  return low === null ? '' : `≥ ${limit(low, unit)}`
}

function outsideSay(outside: number, covered: number): string {
  const percent = covered > 0 ? (100 * outside) / covered : 0
  if (percent === 0) return t('signals:neverOutside')
  return t('signals:outsideSay', {
    time: elapsed(outside),
    percent: percent < 0.1 ? `<${written('0.1')}` : written(percent.toFixed(1)),
  })
}

/** Legend and calculation in one: each channel with its value under the cursor, and what it did within what is shown. */
export function ChannelTable({ channels, statistics, at, second, isPart, hidden, onHide, chosen, onChoose }: Props) {
  const hasLimits = channels.some((channel) => channel.low !== null || channel.high !== null)
  const placeInLane = (channel: Channel) =>
    lanesOf(channels)
      .find((lane) => lane.unit === channel.unit)
      ?.channels.indexOf(channel) ?? 0
  const ownOf = (channel: Channel) => statistics.find((one) => one.name === channel.name)?.statistics ?? null
  const texts = channels.map((channel) => {
    const own = ownOf(channel)
    const value = at === null ? null : (channel.values[at] ?? null)
    const later = second === null ? null : (channel.values[second] ?? null)
    const text = (stored: number | undefined) => (stored === undefined ? '' : number(stored, channel.unit))
    return {
      value: text(value ?? undefined),
      apart: value === null || later === null ? '' : change(later - value, later, channel.unit),
      least: text(own?.least),
      largest: text(own?.largest),
      mean: text(own?.mean),
      limits: limitsSay(channel),
    }
  })
  const column = (key: keyof (typeof texts)[number], row: number) => (
    <Decimal text={texts[row]?.[key] ?? ''} among={mostDecimals(texts.map((one) => one[key]))} />
  )
  return (
    <table className="ledger my-1" aria-label={t('signals:channels')}>
      <thead>
        <tr>
          <th>{t('signals:channel')}</th>
          <th className="num">{t('signals:atCursor')}</th>
          {second !== null && <th className="num">B − A</th>}
          <th className="num">{t('signals:least')}</th>
          <th className="num">{t('signals:largest')}</th>
          <th className="num">{t('signals:mean')}</th>
          {hasLimits && <th className="num">{t('signals:within')}</th>}
          {hasLimits && <th className="num">{t('signals:outside')}</th>}
        </tr>
      </thead>
      <tbody>
        {channels.map((channel, row) => {
          const own = ownOf(channel)
          const isShown = !hidden.includes(channel.name)
          return (
            <tr key={channel.name} className={isShown ? '' : 'text-ink3'}>
              <td className="w-1/3 max-w-0" title={`${channel.name} ${channel.unit}`}>
                <span className="flex items-center gap-1.5">
                  <input
                    type="checkbox"
                    className="shrink-0"
                    checked={isShown}
                    onChange={() => onHide(channel.name)}
                    aria-label={t('signals:showChannel', { name: channel.name })}
                  />
                  <Tone place={placeInLane(channel)} isChosen={chosen === channel.name} />
                  <Button
                    className="min-h-[24px] min-w-0 truncate !text-ink"
                    aria-pressed={chosen === channel.name}
                    onClick={() => onChoose(channel.name)}
                  >
                    {channel.name}
                  </Button>
                  <span className="text-[12px] text-ink3">{channel.unit}</span>
                </span>
              </td>
              <td className="num font-semibold">{column('value', row)}</td>
              {second !== null && <td className="num">{column('apart', row)}</td>}
              <td className="num" title={own ? elapsed(own.leastAtSeconds) : undefined}>
                {column('least', row)}
              </td>
              <td className="num" title={own ? elapsed(own.largestAtSeconds) : undefined}>
                {column('largest', row)}
              </td>
              <td className="num">{column('mean', row)}</td>
              {hasLimits && <td className="num text-ink2">{column('limits', row)}</td>}
              {hasLimits && (
                <td
                  className="num whitespace-nowrap"
                  title={own && own.excursions > 0 ? t('signals:times', { n: own.excursions }) : undefined}
                >
                  {own && (channel.low !== null || channel.high !== null)
                    ? outsideSay(own.outsideSeconds, own.coveredSeconds)
                    : ''}
                </td>
              )}
            </tr>
          )
        })}
      </tbody>
      <caption className="caption-bottom text-left text-[12px] text-ink3">
        {isPart ? t('signals:ofShown') : t('signals:ofWhole')}
      </caption>
    </table>
  )
}

function Tone({ place, isChosen }: { place: number; isChosen: boolean }) {
  const { ink, dash } = toneOf(place)
  return (
    <svg width="26" height="8" aria-hidden="true" className="shrink-0">
      <line
        x1="0"
        x2="26"
        y1="4"
        y2="4"
        stroke={`var(--${isChosen ? 'plum' : ink})`}
        strokeWidth={isChosen ? 2.2 : 1.6}
        strokeDasharray={dash.join(' ')}
      />
    </svg>
  )
}
