import type { LimitRevision } from '../api/types'
import { day } from '../units/format'
import { t } from '../words/t'
import { limitWords } from './limitWords'

const dated = (at: string | null) => (at === null ? null : day(at))

function holds(from: string | null, until: string | null): string {
  if (from === null) return until === null ? t('limits:holds.always') : t('limits:holds.until', { until })
  return until === null ? t('limits:holds.from', { from }) : t('limits:holds.between', { from, until })
}

/** What was said at this place over time; nothing of it is ever lost. */
export function Revisions({ revisions }: { revisions: LimitRevision[] }) {
  if (revisions.length === 0) return null
  return (
    <section aria-label={t('limits:revisions')} className="mt-4">
      <h3 className="font-semibold">{t('limits:revisions')}</h3>
      <table className="ledger">
        <thead>
          <tr>
            <th>{t('limits:revisionColumns.number')}</th>
            <th>{t('limits:revisionColumns.said')}</th>
            <th>{t('limits:revisionColumns.holds')}</th>
            <th>{t('limits:revisionColumns.limit')}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {revisions.map((revision) => (
            <tr key={revision.number}>
              <td>{revision.number}</td>
              <td>{dated(revision.saidAt) ?? '–'}</td>
              <td>{holds(dated(revision.from), dated(revision.until))}</td>
              <td>
                {revision.isInherited
                  ? t('limits:inherited')
                  : revision.limit === null
                    ? t('limits:none')
                    : limitWords(revision.limit)}
              </td>
              <td className="font-semibold">{revision.isInForce && t('limits:inForce')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
