import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import { Trouble } from '../parts/Trouble'
import { dayAndTime } from '../units/format'
import { t } from '../words/t'

const LONGEST = 90

function short(json: string | null): string {
  if (json === null) return ''
  return json.length > LONGEST ? `${json.slice(0, LONGEST)}…` : json
}

/** The newest lines of the audit trail. */
export function AuditTable() {
  const audit = useQuery(queries.audit())
  return (
    <section>
      <h2 className="font-semibold">{t('setup:audit')}</h2>
      <Trouble error={audit.error} />
      <table className="ledger">
        <thead>
          <tr>
            <th>{t('setup:when')}</th>
            <th>{t('setup:who')}</th>
            <th>{t('setup:what')}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {audit.data?.map((line, i) => (
            <tr key={i}>
              <td className="whitespace-nowrap">{dayAndTime(line.at)}</td>
              <td>{line.actor}</td>
              <td className="whitespace-nowrap">
                {line.action} <span className="text-ink3">{line.subject}</span>
              </td>
              <td className="font-mono text-[11px] text-ink3" title={`${line.before ?? ''} → ${line.after ?? ''}`}>
                {short(line.after ?? line.before)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
