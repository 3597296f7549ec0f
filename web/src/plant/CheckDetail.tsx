import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { useRef, useState } from 'react'
import { queries } from '../api/queries'
import type { CheckLine, Finding, Mark, TrendPoint } from '../api/types'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { VerdictMark } from '../parts/VerdictMark'
import { number } from '../units/format'
import { useTimes } from '../units/useTimes'
import { Waterfall } from '../viewers/Waterfall'
import { Compare } from '../trend/Compare'
import { FindingList } from '../reading/FindingList'
import { notesSay } from '../parts/notesSay'
import { ReadingLook, RUN } from '../reading/ReadingLook'
import { Recalculate } from '../reading/Recalculate'
import { ResultTable } from '../reading/ResultTable'
import { OverrideDialog } from '../trend/OverrideDialog'
import { TrendPanel } from '../trend/TrendPanel'
import { CaptureLook } from '../reading/CaptureDialog'
import { t } from '../words/t'

type Look = 'trend' | 'compare' | 'waterfall' | { curve: string }

interface Props {
  check: CheckLine
  readingId: string | undefined
  onReading: (readingId: string) => void
}

/** The chosen check: over time where it yields numbers, else as it was captured last. */
export function CheckDetail(props: Props) {
  const { check } = props
  const mayEdit = useMay().edit
  return (
    <>
      <CheckSoFar {...props} />
      {check.isByHand && mayEdit && (
        <p className="mt-2">
          <Link to="/by-hand" search={{ check: check.checkId }} className="font-semibold text-plum hover:underline">
            {t('byHand:write')}
          </Link>
        </p>
      )}
    </>
  )
}

function CheckSoFar(props: Props) {
  const { check } = props
  if (check.readingId === null)
    return <p className="mt-4 text-ink2">{check.isByHand ? t('byHand:neverWritten') : t('plant:neverMeasured')}</p>
  return check.resultId === '' ? <CheckKept {...props} /> : <CheckTrend {...props} />
}

/** What is kept as it was taken, each time it was taken. */
function CheckKept({ check, readingId, onReading }: Props) {
  const mayEdit = useMay().edit
  const comparable = useQuery(queries.comparable(check.checkId))
  const readings = [...(comparable.data?.own ?? [])].reverse()
  const chosen = readings.find((one) => one.readingId === readingId) ?? readings.at(-1)
  return (
    <section className="mt-4" aria-label={`${check.point}, ${check.check}`}>
      <div className="flex items-baseline gap-4">
        <h3 className="min-w-0 flex-1 font-semibold">
          {check.point}, {check.check}
        </h3>
        {chosen && <ReadingStepper readings={readings} chosen={chosen} onReading={onReading} />}
      </div>
      <p className="mb-2 text-[13px] text-ink2">{`${t('common:verdict.NOT_JUDGED')}: ${check.reason}`}</p>
      {mayEdit && <Recalculate checkId={check.checkId} />}
      {chosen && (
        <CaptureLook
          key={chosen.readingId}
          readingId={chosen.readingId}
          checkId={check.checkId}
          at={chosen.at}
          place={placeOf(check)}
        />
      )}
    </section>
  )
}

const noMarks: Mark[] = []

const placeOf = (check: CheckLine) => `${check.assetTag} ${check.point}, ${check.check}`

interface StepperProps {
  readings: { readingId: string; at: string }[]
  chosen: { readingId: string; at: string }
  onReading: (readingId: string) => void
}

/** From reading to reading. */
function ReadingStepper({ readings, chosen, onReading }: StepperProps) {
  const { day } = useTimes()
  const at = readings.findIndex((one) => one.readingId === chosen.readingId)
  const step = (by: number) => {
    const next = readings[at + by]
    if (next) onReading(next.readingId)
  }
  return (
    <span className="inline-flex items-center gap-2 whitespace-nowrap">
      <Button
        className="h-[24px] min-w-[24px]"
        aria-label={t('plant:earlierReading')}
        disabled={at <= 0}
        onClick={() => step(-1)}
      >
        ←
      </Button>
      <Button
        className="h-[24px] min-w-[24px]"
        aria-label={t('plant:laterReading')}
        disabled={at >= readings.length - 1}
        onClick={() => step(1)}
      >
        →
      </Button>
      {day(chosen.at)}
    </span>
  )
}

/** A reading chosen in the trend shows its spectrum. */
function CheckTrend({ check, readingId, onReading }: Props) {
  const { day } = useTimes()
  const mayEdit = useMay().edit
  const section = useRef<HTMLElement>(null)
  const [look, setLookAt] = useState<Look>('trend')
  /** Whoever wants to look closely wants the whole height for it. */
  const setLook = (next: Look) => {
    setLookAt(next)
    requestAnimationFrame(() => section.current?.scrollIntoView({ block: 'start' }))
  }
  const [resultId, setResultId] = useState(check.resultId)
  const [verdictOverride, setOverriding] = useState(false)
  const [finding, setFinding] = useState<Finding | null>(null)
  const trend = useQuery({ ...queries.trend(check.checkId, { result: resultId }), placeholderData: (before) => before })
  const points = trend.data?.points ?? []
  const chosen = points.find((point) => point.readingId === readingId) ?? points.at(-1)
  const curves = useQuery({
    ...queries.curves(chosen?.readingId ?? ''),
    enabled: chosen !== undefined,
    placeholderData: (before) => before,
  })
  const looks: [Look, string][] = [
    ['trend', t('plant:trend')],
    ['compare', t('trend:compare')],
    ...(curves.data?.isRun ? [RUN] : []).map((curve): [Look, string] => [{ curve }, t('signals:run')]),
    ...(curves.data?.curves ?? []).map((curve): [Look, string] => [{ curve: curve.id }, curve.name]),
  ]
  const isSame = (one: Look, other: Look) =>
    typeof one === 'object' && typeof other === 'object' ? one.curve === other.curve : one === other
  const spectra = curves.data?.curves.filter((curve) => curve.kind === 'lines') ?? []
  if (spectra.length > 0) looks.push(['waterfall', t('signals:waterfall')])
  return (
    <section
      ref={section}
      className={`mt-4 scroll-mt-2 ${look === 'trend' ? '' : 'min-h-[calc(100dvh-4rem)]'}`}
      aria-label={`${check.point}, ${check.check}`}
    >
      <div className="flex items-baseline gap-4">
        <h3 className="min-w-0 flex-1 font-semibold">
          {check.point}, {check.check}{' '}
          <span className="text-[12px] font-normal text-ink3">{trend.data?.unitLabel ?? check.unitLabel}</span>
        </h3>
        {chosen && (
          <p className="flex items-center gap-2 whitespace-nowrap">
            <ReadingStepper readings={points} chosen={chosen} onReading={onReading} />
            <span className="font-semibold text-ink">
              {number(chosen.value, check.unit, check.watch, check.fail)}
            </span>{' '}
            <VerdictMark verdict={chosen.verdict} reason={chosen.reason} notes={chosen.notes} />
          </p>
        )}
      </div>
      <div className="flex items-baseline gap-4">
        <div role="group" aria-label={t('plant:trend')} className="flex flex-1 gap-3">
          {looks.map(([key, text]) => (
            <button
              key={text}
              type="button"
              aria-pressed={isSame(look, key)}
              onClick={() => setLook(key)}
              className={`min-h-[24px] cursor-pointer ${isSame(look, key) ? 'font-semibold text-plum underline underline-offset-4' : 'text-ink2'}`}
            >
              {text}
            </button>
          ))}
        </div>
      </div>
      {chosen && <ReadingSay point={chosen} />}
      {chosen && (
        <FindingList
          readingId={chosen.readingId}
          chosen={finding?.code ?? null}
          onChoose={(next) => {
            setFinding(next)
            if (next) setLook({ curve: next.curve })
          }}
        />
      )}
      {chosen && <ResultTable readingId={chosen.readingId} />}
      {mayEdit && <Recalculate checkId={check.checkId} />}
      <Trouble error={trend.error} />
      {look === 'trend' && trend.data && (
        <TrendPanel
          key={trend.data.resultId}
          check={check}
          whole={trend.data}
          resultId={resultId}
          onResult={setResultId}
          chosenId={chosen?.readingId}
          chosenAt={chosen?.at}
          onChoose={onReading}
          onOverride={() => setOverriding(true)}
          mayEdit={mayEdit}
        />
      )}
      {look === 'compare' && trend.data && <Compare trend={trend.data} />}
      {look === 'waterfall' && (
        <WaterfallLook
          checkId={check.checkId}
          place={placeOf(check)}
          curves={spectra}
          chosenId={chosen?.readingId}
          onChoose={onReading}
        />
      )}
      {typeof look === 'object' && chosen && (
        <ReadingLook
          checkId={check.checkId}
          readingId={chosen.readingId}
          at={chosen.at}
          place={placeOf(check)}
          curve={look.curve}
          evidence={finding?.curve === look.curve ? finding.evidence : noMarks}
        />
      )}
      {verdictOverride && chosen && (
        <OverrideDialog
          reading={chosen}
          name={`${check.point}, ${day(chosen.at)}`}
          onClose={() => setOverriding(false)}
        />
      )}
    </section>
  )
}

/** What is to be known of the chosen reading beside its verdict; nothing where nothing is. */
function ReadingSay({ point }: { point: TrendPoint }) {
  const times = useTimes()
  const said = [point.reason, notesSay(point.notes, times)].filter(Boolean).join('; ')
  return said === '' ? null : <p className="text-[13px] text-ink2">{said}</p>
}

/** Any of a reading's spectra over the visits. */
function WaterfallLook({
  checkId,
  place,
  curves,
  chosenId,
  onChoose,
}: {
  checkId: string
  place: string
  curves: { id: string; name: string }[]
  chosenId: string | undefined
  onChoose: (readingId: string) => void
}) {
  const [id, setId] = useState(curves[0]?.id ?? '')
  const name = curves.find((curve) => curve.id === id)?.name ?? ''
  return (
    <>
      <select
        aria-label={t('signals:waterfall')}
        className="field text-[13px]"
        value={id}
        onChange={(event) => setId(event.target.value)}
      >
        {curves.map((curve) => (
          <option key={curve.id} value={curve.id}>
            {curve.name}
          </option>
        ))}
      </select>
      <Waterfall
        key={id}
        checkId={checkId}
        curve={id}
        title={`${place}, ${name} ${t('signals:overVisits')}`}
        chosenId={chosenId}
        onChoose={onChoose}
      />
    </>
  )
}
