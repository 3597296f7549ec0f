import type { CurveView } from '../api/types'
import { Button } from '../parts/Button'
import { Decimal, DecimalRoom, mostDecimals } from '../parts/Decimal'
import { number, significant } from '../units/format'
import { t } from '../words/t'

interface Props {
  peaks: CurveView['peaks']
  /** Steps of the axis in one hertz. */
  factor: number
  xUnit: string
  yUnit: string
  shaftHz: number | null
  onPoint: (hz: number) => void
}

/** The largest lines, each one click away from the cursor. */
export function PeakTable({ peaks, factor, xUnit, yUnit, shaftHz, onPoint }: Props) {
  if (peaks.length === 0) return <p className="text-[13px] text-ink2">{t('signals:noPeaks')}</p>
  const at = peaks.map((peak) => number(peak.at * factor, ''))
  const values = peaks.map((peak) => significant(peak.value))
  const orders = peaks.map((peak) => (shaftHz === null ? '' : number(peak.at / shaftHz, '')))
  return (
    <details className="mt-1">
      <summary className="cursor-pointer font-semibold">{t('signals:peaks')}</summary>
      <table className="ledger">
        <thead>
          <tr>
            <th className="num">{`${t('signals:columns.at')} ${xUnit}`}</th>
            <th className="num">{`${t('signals:columns.value')} ${yUnit}`}</th>
            {shaftHz !== null && <th className="num">{t('signals:columns.order')}</th>}
          </tr>
        </thead>
        <tbody>
          {peaks.map((peak, i) => (
            <tr key={peak.at}>
              <td className="num">
                <Button onClick={() => onPoint(peak.at)}>{at[i]}</Button>
                <DecimalRoom text={at[i] ?? ''} among={mostDecimals(at)} />
              </td>
              <td className="num">
                <Decimal text={values[i] ?? ''} among={mostDecimals(values)} />
              </td>
              {shaftHz !== null && (
                <td className="num">
                  <Decimal text={orders[i] ?? ''} among={mostDecimals(orders)} />
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  )
}
