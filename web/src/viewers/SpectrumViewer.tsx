import { useMemo, useRef, useState } from 'react'
import type uPlot from 'uplot'
import type { Mark, ResultLine } from '../api/types'
import { limit, number, significant } from '../units/format'
import { t } from '../words/t'
import { Choice } from './Choice'
import type { Curve } from '../api/curve'
import { outlineOf } from './curve'
import type { Level } from './drawOver'
import { type FileAddress, KeepPlot } from './KeepPlot'
import { PeakTable } from './PeakTable'
import { RangeStrip } from './RangeStrip'
import { SpectrumPlot } from './SpectrumPlot'
import {
  type Abscissa,
  type Amplitude,
  type CursorKind,
  cursorLines,
  type Manner,
  type Ordinate,
  shownValues,
  stepsPerHz,
  topNear,
  valueAt,
} from './spectrumScale'
import { useCursors } from './useCursors'
import { type Span, useZoom } from './useZoom'
/** Of what is shown, how far from where one points the top of a peak may be. */
const REACH = 0.01

interface Props {
  curve: Curve
  /** The same of another reading, and what it is called. */
  other: { curve: Curve; name: string } | null
  /** Frequencies at which the machine shows itself, from its nameplate. */
  known: Mark[]
  /** What a finding is seen by. */
  evidence: Mark[]
  /** What the reading came to: those of its bands are drawn with their limits. */
  results: ResultLine[]
  /** What stands over a picture of it. */
  title: string
  file: FileAddress
}

/** At first what a finding is seen by, or what the check is about; the whole is one key away. */
function firstShown(curve: Curve, evidence: Mark[], end: number): Span | null {
  const to = evidence.length > 0 ? Math.max(...evidence.map((mark) => mark.at)) * 1.4 : curve.usualTo
  return to === null || to >= end ? null : { from: 0, to }
}

/** Limits of a band's RMS over the band: a line that reaches one has alone used up what all of the band may have. */
function levelsOf(curve: Curve, results: ResultLine[], { amplitude, ordinate }: Manner): Level[] {
  if (ordinate === 'dB') return []
  const factor = amplitude === 'peak' ? Math.SQRT2 : 1
  return curve.bands.flatMap((band) => {
    const result = results.find((one) => one.resultId === band.resultId)
    const level = (kind: Level['kind'], value: number | null | undefined): Level[] =>
      typeof value === 'number'
        ? [
            {
              name: `${t(`limits:${kind}`)} ${limit(value, '')}`,
              value: value * factor,
              kind,
              from: band.fromHz,
              to: band.toHz,
            },
          ]
        : []
    return result ? [...level('watch', result.watch), ...level('fail', result.fail)] : []
  })
}

/**
 * Lines over frequency: axis and scale as one likes, cursors, the machine's own frequencies, bands with limits, peaks,
 * another reading beside it.
 */
export function SpectrumViewer({ curve, other, known, evidence, results, title, file }: Props) {
  const plot = useRef<uPlot | null>(null)
  const [manner, setManner] = useState<Manner>({ abscissa: 'Hz', amplitude: 'RMS', ordinate: 'linear' })
  const [kind, setKind] = useState<CursorKind>('single')
  const { first, second, apart, set } = useCursors()
  const [marked, setMarked] = useState<string[]>([])
  const end = curve.x.at(-1) ?? 1
  const whole = useMemo(() => ({ from: 0, to: end }), [end])
  const zoom = useZoom(whole, firstShown(curve, evidence, end))
  const shaft = known.find((mark) => mark.id === 'shaft')?.at ?? null
  const values = useMemo(() => shownValues(curve, manner), [curve, manner])
  const behind = useMemo(
    () => (other ? { x: other.curve.x, values: shownValues(other.curve, manner, curve) } : null),
    [other, curve, manner],
  )
  const factor = stepsPerHz(manner.abscissa, shaft)
  const unit = manner.abscissa === 'orders' ? '' : manner.abscissa
  const lines = useMemo(() => cursorLines(kind, first, second, end), [kind, first, second, end])
  const marks = useMemo(
    () => [...evidence, ...known.filter((mark) => marked.includes(mark.id))],
    [evidence, known, marked],
  )
  const bands = useMemo(
    () => curve.bands.map((band) => ({ name: band.name, from: band.fromHz, to: band.toHz })),
    [curve],
  )
  const levels = useMemo(() => levelsOf(curve, results, manner), [curve, results, manner])
  const outline = useMemo(() => outlineOf(curve.x, curve.y), [curve])
  const point = (hz: number, isSecond: boolean) =>
    set(topNear(curve, hz, (zoom.shown.to - zoom.shown.from) * REACH), isSecond)
  const valueUnit =
    manner.ordinate === 'dB'
      ? 'dB'
      : `${curve.yUnit} ${manner.amplitude === 'peak' ? t('signals:peak') : manner.amplitude}`
  const said = [title, curve.how, other && `${t('signals:dotted')} ${other.name}`].filter(Boolean).join('; ')
  return (
    <div>
      <div className="flex flex-wrap items-center gap-x-4 text-[13px]">
        <Choice<Abscissa>
          label={t('signals:abscissa')}
          value={manner.abscissa}
          options={shaft === null ? ['Hz', 'CPM'] : ['Hz', 'CPM', 'orders']}
          said={{ orders: t('signals:orders') }}
          onChange={(abscissa) => setManner({ ...manner, abscissa })}
        />
        <Choice<Amplitude>
          label={t('signals:amplitude')}
          value={manner.amplitude}
          options={['RMS', 'peak']}
          said={{ peak: t('signals:peak') }}
          onChange={(amplitude) => setManner({ ...manner, amplitude })}
        />
        <Choice<Ordinate>
          label={t('signals:ordinate')}
          value={manner.ordinate}
          options={['linear', 'dB']}
          said={{ linear: t('signals:linear') }}
          onChange={(ordinate) => setManner({ ...manner, ordinate })}
        />
        <Choice<CursorKind>
          label={t('signals:cursor')}
          value={kind}
          options={['single', 'difference', 'harmonics', 'sides']}
          said={{
            single: t('signals:cursors.single'),
            difference: t('signals:cursors.difference'),
            harmonics: t('signals:cursors.harmonics'),
            sides: t('signals:cursors.sides'),
          }}
          onChange={setKind}
        />
        {known.length > 0 && (
          <span role="group" aria-label={t('signals:marks')} className="flex flex-wrap gap-x-3 text-ink2">
            {t('signals:marks')}
            {known.map((mark) => (
              <label key={mark.id} className="inline-flex min-h-[24px] items-center gap-1">
                <input
                  type="checkbox"
                  checked={marked.includes(mark.id)}
                  onChange={() =>
                    setMarked(marked.includes(mark.id) ? marked.filter((one) => one !== mark.id) : [...marked, mark.id])
                  }
                />
                {mark.name}
              </label>
            ))}
          </span>
        )}
      </div>
      <SpectrumPlot
        curve={curve}
        values={values}
        other={behind}
        factor={factor}
        xUnit={manner.abscissa}
        yUnit={valueUnit}
        zoom={zoom}
        marks={marks}
        cursor={lines}
        bands={bands}
        levels={levels}
        onPoint={point}
        made={(made) => {
          plot.current = made
        }}
      />
      <RangeStrip whole={whole} zoom={zoom} outline={outline} label={t('signals:strip')} />
      <p className="flex min-h-[24px] flex-wrap gap-x-4 text-[13px]">
        {other && <span className="text-ink2">{`${t('signals:dotted')} ${other.name}`}</span>}
        {lines.length === 0 && <span className="text-ink3">{t('signals:pick')}</span>}
        {lines.map((line) => (
          <span key={line.name}>
            <span className="font-semibold">{line.name}</span> {number(line.hz * factor, unit)} {unit}{' '}
            <span className="text-ink2">{significant(valueAt(curve, values, line.hz))}</span>
            {other && behind && (
              <span className="text-ink3"> / {significant(valueAt(other.curve, behind.values, line.hz))}</span>
            )}
          </span>
        ))}
        {kind === 'difference' && apart !== null && (
          <span className="font-semibold">{t('signals:difference', { x: number(apart * factor, unit), unit })}</span>
        )}
        <span className="flex-1 text-right text-[12px] text-ink3">
          {[curve.how, t('signals:keys')].filter(Boolean).join('. ')}
        </span>
      </p>
      <KeepPlot
        pieces={() => (plot.current ? [{ title: said, drawn: plot.current }] : [])}
        name={title}
        file={file}
        shown={zoom.isPart ? zoom.shown : null}
      />
      <PeakTable
        peaks={curve.peaks}
        factor={factor}
        xUnit={unit}
        shaftHz={shaft}
        yUnit={`${curve.yUnit} RMS`}
        onPoint={(hz) => set(hz, false)}
      />
    </div>
  )
}
