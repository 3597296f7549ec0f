import type { CertificateLine } from '../api/types'
import { day } from '../units/format'
import { words } from '../words/en'

interface Props {
  list: CertificateLine[]
  chosenId: string | undefined
  onChoose: (id: string) => void
}

/** Every certificate ever issued, and those that wait. */
export function Register({ list, chosenId, onChoose }: Props) {
  const { columns } = words.certificates
  if (list.length === 0) return <p className="text-ink2">{words.certificates.none}</p>
  return (
    <table className="ledger">
      <thead>
        <tr>
          <th>{columns.number}</th>
          <th>{columns.what}</th>
          <th>{columns.signed}</th>
          <th>{columns.paper}</th>
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
                {line.number ?? words.certificates.notSigned}
              </button>
            </td>
            <td>
              {line.title} <span className="text-ink2">{line.client}</span>
            </td>
            <td className="whitespace-nowrap">
              {line.issuedAt ? `${line.signedBy}, ${day(line.issuedAt)}` : words.certificates.notSigned}
            </td>
            <td className={line.state === 'WITHDRAWN' ? 'font-semibold' : 'text-ink2'}>
              {words.certificates.state[line.state as keyof typeof words.certificates.state]}
              {line.changedSince.length > 0 && (
                <span className="block font-semibold text-watch">
                  {words.certificates.readingsChanged(line.changedSince.length)}
                </span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
