import { Link } from '@tanstack/react-router'
import { Fragment, useState } from 'react'
import { api, data } from '../api/client'
import type { VisitRow } from '../api/types'
import { Button } from '../parts/Button'
import { Decimal } from '../parts/Decimal'
import { ProgressMark } from '../parts/ProgressMark'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { VerdictMark } from '../parts/VerdictMark'
import { columns } from '../units/columns'
import { unitText } from '../units/format'
import { t } from '../words/t'
import { CaptureDialog } from '../reading/CaptureDialog'
import { DRAGGED_READING } from './dragging'
import { filledIn } from './filled'
import { OtherReadings } from './OtherReadings'
import { useCorrection } from '../reading/useCorrection'
import { usePlacements } from './usePlacements'

interface Props {
  rows: VisitRow[]
  visitedAt: string
  left: ReadonlySet<string>
  onToggle: (row: VisitRow, on: boolean) => void
  mayEdit: boolean
  /** Numbers of the certificates in force that state a reading. */
  certified: (readingId: string) => string[]
  onLimits: ((check: { checkId: string; point: string; check: string }) => void) | undefined
}

/** The stops in walking order, each with what was found and what it means. */
export function StopTable({ rows, visitedAt, left, onToggle, mayEdit, certified, onLimits }: Props) {
  const [over, setOver] = useState<string | null>(null)
  const { place } = usePlacements()
  const [looked, setLooked] = useState<VisitRow | null>(null)
  const certifiedSay = (row: VisitRow) => {
    // Of a whole visit that is certified the line above says it once; beside a discarded reading it says what the discarding touches.
    const numbers = row.readingId === null || row.discardedBecause === null ? [] : certified(row.readingId)
    return numbers.length === 0 ? '' : t('visits:certified.row', { numbers: numbers.join(', ') })
  }
  const { texts: shown, decimals } = columns(rows)
  const swap = (row: VisitRow) => {
    const other = rows.find((one) => one.readingId === row.swappedWithId)
    if (!other?.readingId || !row.readingId) return
    const as = (mine: string, theirs: string) => [
      { readingId: row.readingId as string, checkId: mine },
      { readingId: other.readingId as string, checkId: theirs },
    ]
    place(as(other.checkId, row.checkId), t('visits:sheet.swapDone'))
  }
  return (
    <>
      {looked?.readingId && (
        <CaptureDialog
          readingId={looked.readingId}
          checkId={looked.checkId}
          at={visitedAt}
          place={`${looked.assetTag} ${looked.point}, ${looked.check}`}
          title={`${looked.assetTag} ${looked.point}, ${looked.check}`}
          onClose={() => setLooked(null)}
        />
      )}
      <table className="ledger">
        <thead>
          <tr>
            <th className="w-7" />
            {mayEdit && <th className="w-7" />}
            <th>{t('visits:sheet.asset')}</th>
            <th>{t('visits:sheet.check')}</th>
            <th className="num">{t('visits:sheet.result')}</th>
            <th />
            <th className="num">{t('visits:sheet.limit')}</th>
            <th className="num">{t('visits:sheet.sinceLast')}</th>
            <th>{t('visits:sheet.verdict')}</th>
            <th>{t('visits:sheet.note')}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <Fragment key={row.checkId}>
              <tr
                className={`hover:bg-paper2 ${over === row.checkId ? 'bg-wash' : ''}`}
                onDragOver={(event) => {
                  if (!mayEdit || !event.dataTransfer.types.includes(DRAGGED_READING)) return
                  event.preventDefault()
                  setOver(row.checkId)
                }}
                onDragLeave={() => setOver(null)}
                onDrop={(event) => {
                  const readingId = event.dataTransfer.getData(DRAGGED_READING)
                  setOver(null)
                  if (!readingId) return
                  event.preventDefault()
                  place([{ readingId, checkId: row.checkId }], t('visits:sheet.placed'))
                }}
              >
                <td>
                  <ProgressMark progress={row.progress} />
                </td>
                {mayEdit && (
                  <td>
                    <input
                      type="checkbox"
                      aria-label={`${t('visits:sheet.prepare')}: ${row.assetTag} ${row.point} ${row.check}`}
                      className="h-4 w-4 accent-plum"
                      checked={!left.has(row.checkId)}
                      onChange={(event) => onToggle(row, event.target.checked)}
                    />
                  </td>
                )}
                <td>{rows[i - 1]?.assetId !== row.assetId && <Tag text={row.assetTag} />}</td>
                <td className="whitespace-nowrap">
                  <Link
                    to="/plant"
                    search={{ node: row.assetId, check: row.checkId, reading: row.readingId ?? undefined }}
                    className="hover:underline"
                  >
                    {row.point} <span className="text-ink2">{row.check}</span>
                  </Link>
                </td>
                <td className={`num font-semibold ${row.discardedBecause ? 'line-through' : ''}`}>
                  {row.value !== null ? (
                    <Decimal text={shown[i]?.value ?? ''} among={decimals.value} />
                  ) : row.readingId !== null ? (
                    <Button onClick={() => setLooked(row)}>{t('visits:sheet.look')}</Button>
                  ) : (
                    <span className="font-normal text-ink3">
                      {row.progress === 'skipped' ? t('visits:sheet.skipped') : '–'}
                    </span>
                  )}
                </td>
                <td className="text-[12px] text-ink3">{row.value !== null && unitText(row.unit)}</td>
                <td className="num text-ink2">
                  {shown[i]?.limit ? (
                    <Decimal text={shown[i].limit} among={decimals.limit} />
                  ) : onLimits && row.unit !== '' ? (
                    <Button onClick={() => onLimits(row)}>{t('plant:setOne')}</Button>
                  ) : (
                    '–'
                  )}
                </td>
                <td className="num">
                  <Decimal text={shown[i]?.change ?? ''} among={decimals.change} />
                </td>
                <td>
                  <VerdictMark verdict={row.verdict} reason={row.reason} notes={row.notes} />
                </td>
                <td className="text-ink2">
                  {[
                    row.note,
                    ...filledIn(row.filled),
                    row.repeats > 0 ? t('visits:sheet.repeated', { n: row.repeats }) : '',
                    row.discardedBecause ?? '',
                    certifiedSay(row),
                  ]
                    .filter(Boolean)
                    .join(', ')}
                  {row.swappedWithId !== null && (
                    <span className="text-watch">
                      {row.note && ', '}
                      {t('visits:sheet.swapped', { where: row.swappedWith })}{' '}
                      {mayEdit && <Button onClick={() => swap(row)}>{t('visits:sheet.swap')}</Button>}
                    </span>
                  )}
                  {mayEdit && <RowAction row={row} />}
                </td>
              </tr>
              <OtherReadings row={row} decimals={decimals.value} mayEdit={mayEdit} />
            </Fragment>
          ))}
        </tbody>
      </table>
    </>
  )
}

/** A discarded reading can be taken back where it stands. */
function RowAction({ row }: { row: VisitRow }) {
  const correction = useCorrection()
  const restore = (id: string) =>
    correction.mutate({
      run: () => data(api.POST('/api/readings/{id}/restore', { params: { path: { id } } })),
      said: t('visits:sheet.restored'),
    })
  if (row.readingId === null || row.discardedBecause === null) return null
  const id = row.readingId
  return (
    <>
      {' '}
      <Button onClick={() => restore(id)}>{t('visits:sheet.restore')}</Button>
      <Trouble error={correction.error} />
    </>
  )
}
