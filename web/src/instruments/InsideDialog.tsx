import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { dayAndTime, number, unitText } from '../units/format'
import { t } from '../words/t'

/** What lies in one file of an instrument, before it is taken. */
export function InsideDialog({
  instrumentId,
  file,
  onClose,
}: {
  instrumentId: string
  file: string
  onClose: () => void
}) {
  const inside = useQuery(queries.inside(instrumentId, file))
  return (
    <Dialog
      title={inside.data?.walk || t('instruments:inside.title', { file: file.replace(/^.*\//, '') })}
      open
      wide
      onClose={onClose}
    >
      <p className="mb-2 text-ink2">{inside.isPending ? t('common:loading') : t('instruments:inside.say')}</p>
      <Trouble error={inside.error} />
      {inside.data && (
        <table className="ledger">
          <thead>
            <tr>
              <th>{t('instruments:inside.columns.taken')}</th>
              <th>{t('instruments:inside.columns.what')}</th>
              <th>{t('instruments:inside.columns.place')}</th>
              <th className="num">{t('instruments:inside.columns.value')}</th>
              <th>{t('instruments:inside.columns.note')}</th>
              <th>{t('instruments:inside.columns.state')}</th>
            </tr>
          </thead>
          <tbody>
            {inside.data.readings.map((reading, i) => (
              <tr key={i}>
                <td>{dayAndTime(reading.takenAt)}</td>
                <td>{reading.technique}</td>
                <td>{reading.place || '–'}</td>
                <td className="num">
                  {reading.value === null ? '–' : `${number(reading.value, reading.unit)} ${unitText(reading.unit)}`}
                </td>
                <td>{reading.note}</td>
                <td className={reading.isStored ? 'text-ink2' : 'font-semibold'}>
                  {reading.isStored ? t('instruments:inside.stored') : t('instruments:inside.fresh')}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {(inside.data?.leftOut ?? []).map((reason, i) => (
        <p key={i} className="mt-1 text-ink2">
          {t('instruments:inside.leftOut', { reason })}
        </p>
      ))}
    </Dialog>
  )
}
