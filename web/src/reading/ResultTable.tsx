import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import { Decimal, mostDecimals } from '../parts/Decimal'
import { VerdictMark } from '../parts/VerdictMark'
import { boundary, number, unitText } from '../units/format'
import { t } from '../words/t'

/** Everything a reading came to, each result with its limit and verdict; nothing where there is only the one that is shown anyway. */
export function ResultTable({ readingId }: { readingId: string }) {
  const results = useQuery(queries.results(readingId))
  const lines = results.data ?? []
  if (lines.length < 2) return null
  const values = lines.map((line) => number(line.value, line.unit, line.watch, line.fail))
  const limits = lines.map((line) => boundary(line) ?? '–')
  return (
    <details className="mt-1">
      <summary className="min-h-[24px] cursor-pointer font-semibold">{t('signals:otherResults')}</summary>
      <table className="ledger">
        <thead>
          <tr>
            <th>{t('signals:result')}</th>
            <th className="num">{t('signals:columns.value')}</th>
            <th />
            <th className="num">{t('plant:limit')}</th>
            <th>{t('plant:verdict')}</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line, at) => (
            <tr key={line.resultId}>
              <td>{line.name}</td>
              <td className="num font-semibold">
                <Decimal text={values[at] ?? ''} among={mostDecimals(values)} />
              </td>
              <td className="text-ink3">{unitText(line.unit)}</td>
              <td className="num text-ink2">
                <Decimal text={limits[at] ?? ''} among={mostDecimals(limits)} />
              </td>
              <td>
                <VerdictMark verdict={line.verdict} reason="" notes={null} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  )
}
