import type { ForeignPreview } from '../api/types'
import { dayAndTime, number } from '../units/format'
import { t } from '../words/t'

/** What would be taken and where it would go; what not, and why. */
export function ForeignOutcome({ preview }: { preview: ForeignPreview }) {
  return (
    <section className="mt-3">
      <p className="font-semibold">
        {t('foreign:summary', {
          readings: preview.readings,
          placed: preview.placed,
          loose: preview.readings - preview.placed,
        })}
      </p>
      {preview.obstacle !== '' && <p role="alert">{preview.obstacle}</p>}
      {preview.faultCount > 0 && (
        <p>
          {t('foreign:faults', { n: preview.faultCount })}{' '}
          {preview.faults
            .slice(0, 3)
            .map((fault) => t('foreign:fault', { line: fault.line, heading: fault.heading, sentence: fault.sentence }))
            .join('; ')}
        </p>
      )}
      <div className="max-h-[22vh] overflow-auto">
        <table className="ledger">
          <thead>
            <tr>
              <th className="num">{t('foreign:columns.line')}</th>
              <th>{t('foreign:columns.at')}</th>
              <th>{t('foreign:columns.where')}</th>
              <th className="num">{t('foreign:columns.value')}</th>
              <th>{t('foreign:columns.note')}</th>
            </tr>
          </thead>
          <tbody>
            {preview.first.map((line, at) => (
              <tr key={at}>
                <td className="num text-ink2">{line.line}</td>
                <td className="whitespace-nowrap">{dayAndTime(line.at)}</td>
                <td>
                  {line.place ? (
                    <span className="font-semibold">{line.place}</span>
                  ) : (
                    <span className="text-ink2">{`${t('foreign:tray')}: ${line.label}`}</span>
                  )}
                </td>
                <td className="num whitespace-nowrap">
                  {number(line.value, line.unit)} {line.unit}
                </td>
                <td className="text-ink2">{line.note}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  )
}
