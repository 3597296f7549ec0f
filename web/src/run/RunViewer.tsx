import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useCallback, useMemo, useRef, useState } from 'react'
import type uPlot from 'uplot'
import { queries } from '../api/queries'
import type { RunView } from '../api/types'
import { useSettled } from '../parts/useSettled'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { elapsed } from '../units/format'
import type { Beside } from '../viewers/LookBar'
import { outlineOf, placeOf } from '../viewers/curve'
import { type FileAddress, KeepPlot } from '../viewers/KeepPlot'
import { RangeStrip } from '../viewers/RangeStrip'
import { useCursors } from '../viewers/useCursors'
import { useZoom } from '../viewers/useZoom'
import { t } from '../words/t'
import { ChannelTable } from './ChannelTable'
import { LanePlot } from './LanePlot'
import { lanesOf } from './lanes'
const HEIGHTS = [300, 200, 150]
/** How much round a marker is shown, as a share of the whole. */
const ROUND_MARKER = 0.03

interface Props {
  readingId: string
  title: string
  beside: Beside | null
}

/** A logged run: its channels in lanes over one time, what they did within what is shown, and what was marked. */
export function RunViewer({ readingId, title, beside }: Props) {
  const run = useQuery(queries.run(readingId))
  const other = useQuery({ ...queries.run(beside?.readingId ?? ''), enabled: beside !== null })
  if (!run.data) return run.error ? <Trouble error={run.error} /> : <p className="text-ink2">{t('common:loading')}</p>
  return (
    <>
      <Trouble error={other.error} />
      <DrawnRun
        key={readingId}
        readingId={readingId}
        run={run.data}
        other={(beside && other.data) ?? null}
        otherName={beside?.name ?? ''}
        title={title}
      />
    </>
  )
}

interface DrawnProps {
  readingId: string
  run: RunView
  other: RunView | null
  otherName: string
  title: string
}

function DrawnRun({ readingId, run, other, otherName, title }: DrawnProps) {
  const plots = useRef(new Map<string, uPlot>())
  const [hidden, setHidden] = useState<string[]>([])
  const [chosen, setChosen] = useState<string | null>(null)
  const [pointed, setPointed] = useState<number | null>(null)
  const cursors = useCursors()
  const { seconds } = run
  const whole = useMemo(() => ({ from: seconds[0] ?? 0, to: seconds.at(-1) ?? 1 }), [seconds])
  const zoom = useZoom(whole)
  const shown = useMemo(() => run.channels.filter((channel) => !hidden.includes(channel.name)), [run.channels, hidden])
  const lanes = useMemo(() => lanesOf(shown), [shown])
  const outline = useMemo(
    () => outlineOf(seconds, (run.channels.find((channel) => channel.name === chosen) ?? shown[0])?.values ?? []),
    [seconds, run.channels, chosen, shown],
  )
  const stretch = useSettled(zoom.shown) ?? zoom.shown
  const statistics = useQuery({
    ...queries.runStatistics(readingId, stretch.from, stretch.to),
    placeholderData: keepPreviousData,
  })
  const markers = useMemo(
    () => run.markers.map((marker) => ({ name: marker.text, at: marker.atSeconds })),
    [run.markers],
  )
  const move = useCallback((at: number | null) => setPointed(at), [])
  const file: FileAddress = (form, part) =>
    `/api/readings/${readingId}/run/file?form=${form}${part ? `&from=${part.from}&to=${part.to}` : ''}`
  const said = [title, other && `${t('signals:dotted')} ${otherName}`].filter(Boolean).join('; ')
  const at = cursors.first !== null ? placeOf(seconds, cursors.first) : pointed
  return (
    <div>
      {lanes.map((lane, i) => (
        <LanePlot
          key={lane.unit}
          lane={lane}
          seconds={seconds}
          other={other}
          chosen={chosen}
          height={HEIGHTS[Math.min(lanes.length, HEIGHTS.length) - 1] ?? 150}
          zoom={zoom}
          markers={markers}
          isFirst={i === 0}
          isLast={i === lanes.length - 1}
          cursor={cursors.lines}
          onPoint={cursors.set}
          onMove={move}
          made={(plot) => (plot ? plots.current.set(lane.unit, plot) : plots.current.delete(lane.unit))}
        />
      ))}
      <RangeStrip whole={whole} zoom={zoom} outline={outline} label={t('signals:strip')} />
      <p className="flex min-h-[24px] flex-wrap gap-x-4 text-[13px]">
        {other && <span className="text-ink2">{`${t('signals:dotted')} ${otherName}`}</span>}
        {cursors.lines.length === 0 && <span className="text-ink3">{t('signals:pickTime')}</span>}
        {cursors.lines.map((line) => (
          <span key={line.name}>
            <span className="font-semibold">{line.name}</span> {elapsed(line.at)}
          </span>
        ))}
        {cursors.apart !== null && (
          <span className="font-semibold">{t('signals:apart', { time: elapsed(cursors.apart) })}</span>
        )}
        {cursors.lines.length > 0 && (
          <Button className="min-h-[24px]" onClick={cursors.clear}>
            {t('signals:noCursor')}
          </Button>
        )}
        <span className="flex-1 text-right text-[12px] text-ink3">{t('signals:keys')}</span>
      </p>
      {markers.length > 0 && (
        <p className="flex flex-wrap items-center gap-x-4 text-[13px] text-ink2">
          {t('signals:markers')}
          {markers.map((marker) => (
            <Button
              key={`${marker.at} ${marker.name}`}
              className="min-h-[24px]"
              onClick={() =>
                zoom.show({
                  from: marker.at - (whole.to - whole.from) * ROUND_MARKER,
                  to: marker.at + (whole.to - whole.from) * ROUND_MARKER,
                })
              }
            >
              {elapsed(marker.at)} {marker.name}
            </Button>
          ))}
        </p>
      )}
      <ChannelTable
        channels={run.channels}
        statistics={statistics.data ?? []}
        at={at}
        second={cursors.second === null ? null : placeOf(seconds, cursors.second)}
        isPart={zoom.isPart}
        hidden={hidden}
        onHide={(name) => setHidden(hidden.includes(name) ? hidden.filter((one) => one !== name) : [...hidden, name])}
        chosen={chosen}
        onChoose={(name) => setChosen(chosen === name ? null : name)}
      />
      <KeepPlot
        pieces={() =>
          lanes.flatMap((lane, i) => {
            const drawn = plots.current.get(lane.unit)
            return drawn
              ? [
                  {
                    title: `${i === 0 ? `${said}: ` : ''}${lane.channels.map((channel) => channel.name).join(', ')}`,
                    drawn,
                  },
                ]
              : []
          })
        }
        name={title}
        file={file}
        shown={zoom.isPart ? zoom.shown : null}
      />
    </div>
  )
}
