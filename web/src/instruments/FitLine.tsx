import type { ReactNode } from 'react'
import type { InstrumentView } from '../api/types'
import { Tag } from '../parts/Tag'
import { numberOf } from './instrumentName'
import { t } from '../words/t'

interface Props {
  instrument: InstrumentView
  isAsking: boolean
  error: Error | null
  /** What it holds of this, and of which revision. */
  held: string | undefined
  /** Whether it can take it. */
  outcome: string | undefined
  reasons: readonly string[] | undefined
  action: ReactNode
}

/** Whether one instrument can take what is to be loaded, why not, and what can be done then. */
export function FitLine({ instrument, isAsking, error, held, outcome, reasons, action }: Props) {
  return (
    <tr>
      <td className="w-24">
        <Tag text={instrument.model} />
      </td>
      <td className="whitespace-nowrap">{numberOf(instrument)}</td>
      <td>
        {isAsking && <span className="text-ink3">{t('instruments:looking')}</span>}
        {held && <span className="block">{held}</span>}
        {outcome}
        {reasons?.map((reason) => (
          <span key={reason} className="block text-ink2">
            {reason}
          </span>
        ))}
        {error && <span className="text-ink2">{error.message}</span>}
      </td>
      <td className="num">{action}</td>
    </tr>
  )
}
