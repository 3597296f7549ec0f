import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { CaptureView, Mark } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { ReadingLook, RUN } from './ReadingLook'
import { t } from '../words/t'

interface LookProps {
  readingId: string
  /** Null for a loose reading. */
  checkId: string | null
  at: string
  place: string
}

/** A reading's capture as it was taken, whatever its technique. */
export function CaptureDialog({ title, onClose, ...look }: LookProps & { title: string; onClose: () => void }) {
  return (
    <Dialog title={t('visits:capture.title', { what: title })} open wide onClose={onClose}>
      <CaptureLook {...look} />
    </Dialog>
  )
}

const noMarks: Mark[] = []

export function CaptureLook({ readingId, checkId, at, place }: LookProps) {
  const capture = useQuery(queries.capture(readingId))
  const isDrawn = capture.data?.isRun === true || capture.data?.kind === 'waveform'
  const curves = useQuery({ ...queries.curves(readingId), enabled: isDrawn })
  const drawn = [
    ...(curves.data?.isRun ? [{ id: RUN, name: t('signals:run') }] : []),
    ...(curves.data?.curves ?? []).map(({ id, name }) => ({ id, name })),
  ]
  const [wanted, setWanted] = useState<string | null>(null)
  const id = wanted ?? drawn[0]?.id
  return (
    <>
      <Trouble error={capture.error ?? curves.error} />
      {drawn.length > 1 && (
        <p role="group" aria-label={t('signals:curves')} className="flex gap-3">
          {drawn.map((one) => (
            <Button
              key={one.id}
              className="min-h-[24px]"
              aria-pressed={one.id === id}
              onClick={() => setWanted(one.id)}
            >
              {one.name}
            </Button>
          ))}
        </p>
      )}
      {isDrawn && id !== undefined && (
        <ReadingLook
          key={id}
          checkId={checkId}
          readingId={readingId}
          at={at}
          place={place}
          curve={id}
          evidence={noMarks}
        />
      )}
      {capture.data && <CaptureBody readingId={readingId} capture={capture.data} />}
    </>
  )
}

function CaptureBody({ readingId, capture }: { readingId: string; capture: CaptureView }) {
  const photos = Array.from({ length: capture.photos }, (_, i) => i + 1)
  return (
    <>
      {capture.kind === 'waveform' && (
        <p className="text-ink2">{t('visits:capture.waveform', { n: capture.allRows })}</p>
      )}
      {capture.kind === 'picture' && (
        <img
          src={`/api/readings/${readingId}/picture`}
          alt={t('visits:capture.picture')}
          className="max-w-full border border-rule2"
        />
      )}
      {capture.markers.length > 0 && !capture.isRun && (
        <p className="my-2 text-ink2">
          {t('visits:capture.markers')}: {capture.markers.join('; ')}
        </p>
      )}
      {capture.rows.length > 0 && !capture.isRun && (
        <table className="ledger">
          {capture.headings.length > 0 && (
            <thead>
              <tr>
                {capture.headings.map((heading) => (
                  <th key={heading}>{heading}</th>
                ))}
              </tr>
            </thead>
          )}
          <tbody>
            {capture.rows.map((row, i) => (
              <tr key={i}>
                {row.map((cell, j) => (
                  <td key={j} className="tabular-nums">
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {!capture.isRun && capture.rows.length < capture.allRows && capture.rows.length > 0 && (
        <p className="mt-2 text-ink3">
          {t('visits:capture.more', { shown: capture.rows.length, all: capture.allRows })}
        </p>
      )}
      {photos.map((n) => (
        <img
          key={n}
          src={`/api/readings/${readingId}/photos/${n}`}
          alt={t('visits:capture.photo', { n })}
          className="mt-3 max-w-full border border-rule2"
        />
      ))}
    </>
  )
}
