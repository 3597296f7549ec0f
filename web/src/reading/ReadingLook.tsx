import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { Mark, ResultLine } from '../api/types'
import { Trouble } from '../parts/Trouble'
import { RunViewer } from '../run/RunViewer'
import { useTimes } from '../units/useTimes'
import { t } from '../words/t'
import { BesideChoice } from '../viewers/BesideChoice'
import type { FileAddress } from '../viewers/KeepPlot'
import { type Beside, LookBar, type Looked } from '../viewers/LookBar'
import { SeriesViewer } from '../viewers/SeriesViewer'
import { SpectrumViewer } from '../viewers/SpectrumViewer'

/** A run is looked at under this name, whatever curves there are besides. */
export const RUN = 'run'

interface Props {
  /** Null for a loose reading, which is laid beside nothing. */
  checkId: string | null
  readingId: string
  at: string
  /** Which machine and check it is of. */
  place: string
  curve: string
  evidence: Mark[]
}

const noMarks: Mark[] = []
const noResults: ResultLine[] = []

/** One picture of a reading, in any way its technique can show it, alone or beside another reading. */
export function ReadingLook({ checkId, readingId, at, place, curve: id, evidence }: Props) {
  const { day } = useTimes()
  const [looked, setLooked] = useState<Looked>({})
  const [beside, setBeside] = useState<Beside | null>(null)
  const laid = beside?.readingId === readingId ? null : beside
  const curves = useQuery({ ...queries.curves(readingId, looked), placeholderData: (before) => before })
  const others = useQuery({ ...queries.curves(laid?.readingId ?? '', looked), enabled: laid !== null && id !== RUN })
  const insight = useQuery(queries.insight(readingId))
  const results = useQuery({ ...queries.results(readingId), enabled: checkId !== null })
  const curve = curves.data?.curves.find((candidate) => candidate.id === id)
  const otherCurve = laid && others.data?.curves.find((candidate) => candidate.id === id)
  const other = laid && otherCurve && otherCurve.yUnit === curve?.yUnit ? { curve: otherCurve, name: laid.name } : null
  const name = id === RUN ? t('signals:run') : (curve?.name ?? '')
  const title = [place, ...(name === '' || place.endsWith(name) ? [] : [name]), day(at)].join(', ')
  const file: FileAddress = (form, stretch) =>
    `/api/readings/${readingId}/curves/${encodeURIComponent(id)}/file?${new URLSearchParams({ ...looked, form, ...(stretch ? { from: String(stretch.from), to: String(stretch.to) } : {}), ...(laid ? { with: laid.readingId } : {}) })}`
  return (
    <div className={curves.isPlaceholderData ? 'opacity-50' : ''}>
      <Trouble error={curves.error ?? others.error} />
      <div className="flex flex-wrap items-center gap-x-4">
        {checkId !== null && (
          <BesideChoice checkId={checkId} readingId={readingId} beside={laid} onChange={setBeside} />
        )}
        {id !== RUN && <LookBar looks={curves.data?.looks ?? []} looked={looked} onLook={setLooked} />}
      </div>
      {id !== RUN && curves.data?.remarks.map((remark) => <p key={remark}>{remark}</p>)}
      {id === RUN && <RunViewer readingId={readingId} title={title} beside={laid} />}
      {id !== RUN && curves.data && !curve && <p className="my-3 text-ink2">{t('signals:notShown')}</p>}
      {curve?.kind === 'lines' && (
        <SpectrumViewer
          key={`${id} ${evidence.length} ${evidence[0]?.at ?? ''}`}
          curve={curve}
          other={other}
          known={insight.data?.known ?? noMarks}
          evidence={evidence}
          results={results.data ?? noResults}
          title={title}
          file={file}
        />
      )}
      {curve?.kind === 'series' && <SeriesViewer key={id} curve={curve} other={other} title={title} file={file} />}
    </div>
  )
}
