import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import type { CaptureView } from '../api/types'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { CurveChart } from '../viewers/CurveChart'
import { words } from '../words/en'

const text = words.visits.capture

/** A reading's capture as it was taken, whatever its technique. */
export function CaptureDialog({ readingId, title, onClose }: { readingId: string; title: string; onClose: () => void }) {
  return (
    <Dialog title={text.title(title)} open wide onClose={onClose}>
      <CaptureLook readingId={readingId} />
    </Dialog>
  )
}

export function CaptureLook({ readingId }: { readingId: string }) {
  const capture = useQuery(queries.capture(readingId))
  const drawn = capture.data?.isRun === true || capture.data?.kind === 'waveform'
  const curves = useQuery({ ...queries.curves(readingId), enabled: drawn })
  return (
    <>
      <Trouble error={capture.error ?? curves.error} />
      {drawn &&
        curves.data?.curves.map((curve) => (
          <section key={curve.name} aria-label={curve.name}>
            <h3 className="mt-2 font-semibold">{curve.name}</h3>
            <CurveChart curve={curve} />
          </section>
        ))}
      {capture.data && <CaptureBody readingId={readingId} capture={capture.data} />}
    </>
  )
}

function CaptureBody({ readingId, capture }: { readingId: string; capture: CaptureView }) {
  const photos = Array.from({ length: capture.photos }, (_, i) => i + 1)
  return (
    <>
      {capture.kind === 'waveform' && <p className="text-ink2">{text.waveform(capture.allRows)}</p>}
      {capture.kind === 'picture' && <img src={`/api/readings/${readingId}/picture`} alt={text.picture} className="max-w-full border border-rule2" />}
      {capture.markers.length > 0 && (
        <p className="my-2 text-ink2">
          {text.markers}: {capture.markers.join('; ')}
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
        <p className="mt-2 text-ink3">{text.more(capture.rows.length, capture.allRows)}</p>
      )}
      {photos.map((n) => (
        <img key={n} src={`/api/readings/${readingId}/photos/${n}`} alt={text.photo(n)} className="mt-3 max-w-full border border-rule2" />
      ))}
    </>
  )
}
