import type { LimitRevision } from '../api/types'
import { day } from '../units/format'
import { words } from '../words/en'

const text = words.limits
const dated = (at: string | null) => (at === null ? null : day(at))

/** What was said at this place over time; nothing of it is ever lost. */
export function Revisions({ revisions }: { revisions: LimitRevision[] }) {
  if (revisions.length === 0) return null
  return (
    <section aria-label={text.revisions} className="mt-4">
      <h3 className="font-semibold">{text.revisions}</h3>
      <table className="ledger">
        <thead>
          <tr>
            <th>{text.revisionColumns.number}</th>
            <th>{text.revisionColumns.said}</th>
            <th>{text.revisionColumns.holds}</th>
            <th>{text.revisionColumns.limit}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {revisions.map((revision) => (
            <tr key={revision.number}>
              <td>{revision.number}</td>
              <td>{dated(revision.saidAt) ?? '–'}</td>
              <td>{text.holds(dated(revision.from), dated(revision.until))}</td>
              <td>{revision.said === '' ? text.inherited : revision.said === '-/-' ? text.none : revision.said}</td>
              <td className="font-semibold">{revision.isInForce && text.inForce}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
