import { useMemo, useRef, useState } from 'react'
import type { CurveView, Mark } from '../api/types'
import { number } from '../units/format'
import { words } from '../words/en'
import { KeepPlot } from './KeepPlot'
import { PeakTable } from './PeakTable'
import { RangeStrip } from './RangeStrip'
import { SpectrumPlot } from './SpectrumPlot'
import { type Abscissa, type Amplitude, csvOf, cursorLines, type CursorKind, type Manner, type Ordinate, shownValues, stepsPerHz, topNear, valueAt } from './spectrumScale'
import { useZoom } from './useZoom'

const text = words.signals
/** Of what is shown, how far from where one points the top of a peak may be. */
const REACH = 0.01
const STRIP_POINTS = 400

interface Props {
  curve: CurveView
  /** Frequencies at which the machine shows itself, from its nameplate. */
  known: Mark[]
  /** What a finding is seen by. */
  evidence: Mark[]
}

/** Lines over frequency: axis and scale as one likes, cursors, the machine's own frequencies, peaks. */
export function SpectrumViewer({ curve, known, evidence }: Props) {
  const place = useRef<HTMLDivElement>(null)
  const [manner, setManner] = useState<Manner>({ abscissa: 'Hz', amplitude: 'RMS', ordinate: 'linear' })
  const [kind, setKind] = useState<CursorKind>('single')
  const [cursor, setCursor] = useState<{ first: number | null; second: number | null }>({ first: null, second: null })
  const [marked, setMarked] = useState<string[]>([])
  const end = curve.x.at(-1) ?? 1
  const whole = useMemo(() => ({ from: 0, to: end }), [end])
  const zoom = useZoom(whole, evidence.length > 0 ? { from: 0, to: Math.min(end, Math.max(...evidence.map((mark) => mark.at)) * 1.4) } : null)
  const shaft = known.find((mark) => mark.name === 'shaft')?.at ?? null
  const values = useMemo(() => shownValues(curve, manner), [curve, manner])
  const factor = stepsPerHz(manner.abscissa, shaft)
  const unit = manner.abscissa === 'orders' ? '' : manner.abscissa
  const lines = cursorLines(kind, cursor.first, cursor.second, end)
  const marks = useMemo(() => [...evidence, ...known.filter((mark) => marked.includes(mark.name))], [evidence, known, marked])
  const outline = useMemo(() => {
    const step = Math.max(1, Math.floor(curve.x.length / STRIP_POINTS))
    return Array.from({ length: Math.floor(curve.x.length / step) }, (_, i) => ({ x: curve.x[i * step] ?? 0, low: 0, high: Math.max(...curve.y.slice(i * step, (i + 1) * step)) }))
  }, [curve])
  const point = (hz: number, second: boolean) => {
    const top = topNear(curve, hz, (zoom.shown.to - zoom.shown.from) * REACH)
    setCursor(second ? { ...cursor, second: top } : { ...cursor, first: top })
  }
  const valueUnit = manner.ordinate === 'dB' ? 'dB' : `${curve.yUnit} ${manner.amplitude}`
  return (
    <div ref={place}>
      <div className="flex flex-wrap items-center gap-x-4 text-[13px]">
        <Choice<Abscissa> label={text.abscissa} value={manner.abscissa} options={shaft === null ? ['Hz', 'CPM'] : ['Hz', 'CPM', 'orders']} onChange={(abscissa) => setManner({ ...manner, abscissa })} />
        <Choice<Amplitude> label={text.amplitude} value={manner.amplitude} options={['RMS', 'peak']} onChange={(amplitude) => setManner({ ...manner, amplitude })} />
        <Choice<Ordinate> label={text.ordinate} value={manner.ordinate} options={['linear', 'dB']} onChange={(ordinate) => setManner({ ...manner, ordinate })} />
        <Choice<CursorKind> label={text.cursor} value={kind} options={['single', 'difference', 'harmonics', 'sides']} said={text.cursors} onChange={setKind} />
        {known.length > 0 && (
          <span role="group" aria-label={text.marks} className="flex flex-wrap gap-x-3 text-ink2">
            {text.marks}
            {known.map((mark) => (
              <label key={mark.name} className="inline-flex min-h-[24px] items-center gap-1">
                <input type="checkbox" checked={marked.includes(mark.name)} onChange={() => setMarked(marked.includes(mark.name) ? marked.filter((one) => one !== mark.name) : [...marked, mark.name])} />
                {mark.name}
              </label>
            ))}
          </span>
        )}
      </div>
      <SpectrumPlot curve={curve} values={values} factor={factor} xUnit={manner.abscissa} yUnit={valueUnit} zoom={zoom} marks={marks} cursor={lines} onPoint={point} />
      <RangeStrip whole={whole} zoom={zoom} outline={outline} label={text.strip} />
      <p className="flex min-h-[24px] flex-wrap gap-x-4 text-[13px]">
        {lines.length === 0 && <span className="text-ink3">{text.pick}</span>}
        {lines.map((line) => (
          <span key={line.name}>
            <span className="font-semibold">{line.name}</span> {number(line.hz * factor)} {unit} <span className="text-ink2">{number(valueAt(curve, values, line.hz))}</span>
          </span>
        ))}
        {kind === 'difference' && cursor.first !== null && cursor.second !== null && <span className="font-semibold">{text.difference(number((cursor.second - cursor.first) * factor), unit)}</span>}
        <span className="flex-1 text-right text-[12px] text-ink3">{text.keys}</span>
      </p>
      <KeepPlot canvas={() => place.current?.querySelector('canvas') ?? null} name={curve.name.toLowerCase()} csv={(all) => csvOf(curve, all ? 0 : zoom.shown.from, all ? end : zoom.shown.to)} />
      <PeakTable peaks={curve.peaks} factor={factor} xUnit={unit} shaftHz={shaft} yUnit={`${curve.yUnit} RMS`} onPoint={(hz) => setCursor({ ...cursor, first: hz })} />
    </div>
  )
}

interface ChoiceProps<T extends string> {
  label: string
  value: T
  options: T[]
  said?: Record<T, string>
  onChange: (value: T) => void
}

function Choice<T extends string>({ label, value, options, said, onChange }: ChoiceProps<T>) {
  return (
    <label className="inline-flex items-center gap-1.5 text-ink2">
      {label}
      <select className="field text-ink" value={value} onChange={(event) => onChange(event.target.value as T)}>
        {options.map((option) => (
          <option key={option} value={option}>
            {said ? said[option] : option}
          </option>
        ))}
      </select>
    </label>
  )
}
