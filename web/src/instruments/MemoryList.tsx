import type { MemoryLine } from '../api/types'
import { bytes, dayAndTime } from '../units/format'
import { words } from '../words/en'

interface Props {
  files: MemoryLine[]
  chosen: ReadonlySet<string>
  onChoose: (chosen: ReadonlySet<string>) => void
}

/** What the instrument holds: new has a filled corner, stored a tick and its date. */
export function MemoryList({ files, chosen, onChoose }: Props) {
  const toggle = (name: string, on: boolean) => {
    const next = new Set(chosen)
    if (on) next.add(name)
    else next.delete(name)
    onChoose(next)
  }
  return (
    <table className="ledger">
      <thead>
        <tr>
          <th className="w-8" />
          <th className="w-8" />
          <th>{words.instruments.columns.kind}</th>
          <th>{words.instruments.columns.what}</th>
          <th className="num">{words.instruments.columns.size}</th>
          <th>{words.instruments.columns.state}</th>
        </tr>
      </thead>
      <tbody>
        {files.map((file) => (
          <tr key={file.name}>
            <td>
              {file.kind !== 'ROUTE' && (
                <input
                  type="checkbox"
                  aria-label={file.name}
                  className="h-4 w-4 accent-plum"
                  checked={chosen.has(file.name)}
                  onChange={(event) => toggle(file.name, event.target.checked)}
                />
              )}
            </td>
            <td>
              <StateMark state={file.state} />
            </td>
            <td className="text-ink2">{words.instruments.kind[file.kind as keyof typeof words.instruments.kind] ?? file.kind}</td>
            <td>{file.what || file.name.replace(/^.*\//, '').replace(/\.zip$/, '')}</td>
            <td className="num text-ink2">{bytes(file.bytes)}</td>
            <td className="text-ink2">
              {words.instruments.state[file.state as keyof typeof words.instruments.state] ?? file.state}
              {file.storedAt && ` ${dayAndTime(file.storedAt)}`}
              {file.state === 'PART' && `, ${bytes(file.arrivedBytes)} kept`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function StateMark({ state }: { state: string }) {
  if (state === 'STORED') {
    return (
      <svg aria-hidden="true" width="14" height="14" viewBox="0 0 14 14" className="text-ink2">
        <path d="M2 7.5 5.5 11 12 3" fill="none" stroke="currentColor" strokeWidth="1.8" />
      </svg>
    )
  }
  if (state === 'NEW' || state === 'PART') {
    return (
      <svg aria-hidden="true" width="14" height="14" viewBox="0 0 14 14" className="text-plum">
        <rect x="1" y="1" width="12" height="12" fill="none" stroke="currentColor" />
        <path d="M5 1h8v8z" fill="currentColor" />
      </svg>
    )
  }
  return null
}
