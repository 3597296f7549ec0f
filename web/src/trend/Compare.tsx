import { useQueries } from '@tanstack/react-query'
import { useRef } from 'react'
import { queries } from '../api/queries'
import type { Trend } from '../api/types'
import { Tag } from '../parts/Tag'
import { VerdictShape } from '../parts/VerdictMark'
import { number } from '../units/format'
import { KeepPlot } from '../viewers/KeepPlot'
import { t } from '../words/t'
import { trendFile } from './trendFile'
import { seconds } from './drawing'
const WIDTH = 300
const HEIGHT = 120
const EDGE = 8

/** The same check on the sister assets, side by side on one scale of time and value. */
export function Compare({ trend }: { trend: Trend }) {
  const others = useQueries({
    queries: trend.sisters.map((sister) => queries.trend(sister.checkId, { result: trend.resultId })),
  })
  const section = useRef<HTMLElement>(null)
  if (trend.sisters.length === 0) return <p className="my-3 text-ink2">{t('trend:compareNone')}</p>
  const all = [trend, ...others.flatMap((one) => (one.data ? [one.data] : []))]
  const points = all.flatMap((one) => one.points)
  const times = points.map((point) => seconds(point.at))
  const limits = all
    .flatMap((one) => one.lines.flatMap((step) => [step.watch, step.fail]))
    .filter((value) => value !== null)
  const scale = {
    from: Math.min(...times),
    to: Math.max(...times),
    low: Math.min(0, ...points.map((point) => point.value)),
    high: Math.max(...points.map((point) => point.value), ...limits) * 1.05,
  }
  const pieces = () =>
    [...(section.current?.querySelectorAll<SVGSVGElement>('svg[role=img][data-small]') ?? [])].map((drawn) => ({
      title: drawn.getAttribute('aria-label') ?? '',
      drawn,
    }))
  return (
    <section ref={section} aria-label={t('trend:compare')}>
      <p className="my-2 text-[13px] text-ink2">{t('trend:scale')}</p>
      <ul className="grid grid-cols-2 gap-x-6 gap-y-4">
        {all.map((one) => (
          <Small key={one.checkId} trend={one} scale={scale} />
        ))}
      </ul>
      <KeepPlot
        pieces={pieces}
        name={`${trend.title}, ${t('trend:compare')}`}
        file={(form) =>
          trendFile(
            trend,
            form,
            null,
            trend.sisters.map((sister) => `${sister.checkId} ${trend.resultId}`),
          )
        }
        shown={null}
      />
    </section>
  )
}

interface Scale {
  from: number
  to: number
  low: number
  high: number
}

function Small({ trend, scale }: { trend: Trend; scale: Scale }) {
  const last = trend.points.at(-1)
  const x = (at: number) => EDGE + ((at - scale.from) / (scale.to - scale.from || 1)) * (WIDTH - 2 * EDGE)
  const y = (value: number) =>
    HEIGHT - EDGE - ((value - scale.low) / (scale.high - scale.low || 1)) * (HEIGHT - 2 * EDGE)
  return (
    <li>
      <p className="flex items-center gap-2">
        <Tag text={trend.assetTag} />
        {last && (
          <>
            <VerdictShape verdict={last.verdict} />
            <span className="font-semibold">{number(last.value, trend.unit)}</span>{' '}
            <span className="text-ink3">{trend.unitLabel}</span>
          </>
        )}
      </p>
      <svg
        data-small
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={trend.title}
        className="w-full border border-rule"
      >
        {trend.lines.map((step) => {
          const left = step.from === null ? 0 : x(seconds(step.from))
          const right = step.to === null ? WIDTH : x(seconds(step.to))
          return (
            <g key={`${step.from ?? ''} ${step.said}`} strokeWidth="1.2">
              {step.watch !== null && (
                <line x1={left} x2={right} y1={y(step.watch)} y2={y(step.watch)} className="stroke-watch" />
              )}
              {step.fail !== null && (
                <line x1={left} x2={right} y1={y(step.fail)} y2={y(step.fail)} className="stroke-fail" />
              )}
            </g>
          )
        })}
        <polyline
          points={trend.points.map((point) => `${x(seconds(point.at))},${y(point.value)}`).join(' ')}
          fill="none"
          className="stroke-ink"
          strokeWidth="1.2"
        />
        {last && (
          <g transform={`translate(${x(seconds(last.at)) - 6} ${y(last.value) - 6})`}>
            <VerdictShape verdict={last.verdict} size={12} />
          </g>
        )}
      </svg>
    </li>
  )
}
