import type { CertificateLine } from '../api/types'
import { day } from '../units/format'
import { t } from '../words/t'

interface Props {
  list: CertificateLine[]
  chosenId: string | undefined
  onChoose: (id: string) => void
}

/** Every certificate ever issued, and those that wait. */
export function Register({ list, chosenId, onChoose }: Props) {
  if (list.length === 0) return <p className="text-ink2">{t('certificates:none')}</p>
  return (
    <table className="ledger">
      <thead>
        <tr>
          <th>{t('certificates:columns.number')}</th>
          <th>{t('certificates:columns.what')}</th>
          <th>{t('certificates:columns.signed')}</th>
          <th>{t('certificates:columns.paper')}</th>
        </tr>
      </thead>
      <tbody>
        {list.map((line) => (
          <tr
            key={line.id}
            aria-current={line.id === chosenId ? 'true' : undefined}
            onClick={() => onChoose(line.id)}
            className={`cursor-pointer ${line.id === chosenId ? 'bg-wash shadow-[inset_3px_0_0_var(--plum)]' : 'hover:bg-paper2'}`}
          >
            <td className="font-mono font-semibold whitespace-nowrap">
              <button type="button" className="cursor-pointer" onClick={() => onChoose(line.id)}>
                {line.number ?? t('certificates:notSigned')}
              </button>
            </td>
            <td>
              {line.title} <span className="text-ink2">{line.client}</span>
            </td>
            <td className="whitespace-nowrap">
              {line.issuedAt ? `${line.signedBy}, ${day(line.issuedAt)}` : t('certificates:notSigned')}
            </td>
            <td className={line.state === 'WITHDRAWN' ? 'font-semibold' : 'text-ink2'}>
              {t(`certificates:state.${line.state as 'PREPARED' | 'ISSUED' | 'WITHDRAWN'}`)}
              {line.changedSince.length > 0 && (
                <span className="block font-semibold text-watch">
                  {t('certificates:readingsChanged', { n: line.changedSince.length })}
                </span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
