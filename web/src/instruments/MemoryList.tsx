import { useState } from 'react'
import type { MemoryLine } from '../api/types'
import { Button } from '../parts/Button'
import { bytes, dayAndTime } from '../units/format'
import { t, tOr } from '../words/t'
import { InsideDialog } from './InsideDialog'

interface Props {
  instrumentId: string
  files: MemoryLine[]
  chosen: ReadonlySet<string>
  onChoose: (chosen: ReadonlySet<string>) => void
}
const kindOf = (kind: string) => tOr(`instruments:kind.${kind}`, kind)

/** What lies in the instrument, grouped as it groups it: new, half read back, stored, loaded. */
export function MemoryList({ instrumentId, files, chosen, onChoose }: Props) {
  const [inside, setInside] = useState<string | null>(null)
  const kinds = [...new Set(files.map((file) => file.kind))]
  const toggle = (name: string, on: boolean) => {
    const next = new Set(chosen)
    if (on) next.add(name)
    else next.delete(name)
    onChoose(next)
  }
  return (
    <>
      <table className="ledger">
        <thead>
          <tr>
            <th className="w-8" />
            <th className="w-8" />
            <th>{t('instruments:columns.what')}</th>
            <th className="num">{t('instruments:columns.size')}</th>
            <th>{t('instruments:columns.state')}</th>
            <th />
          </tr>
        </thead>
        {kinds.map((kind) => {
          const group = files.filter((file) => file.kind === kind)
          const size = bytes(group.reduce((sum, file) => sum + file.bytes, 0))
          return (
            <tbody key={kind}>
              <tr>
                <th colSpan={6} scope="rowgroup" className="pt-3 text-left font-semibold">
                  {t('instruments:group', { name: kindOf(kind), count: group.length, size })}
                </th>
              </tr>
              {group.map((file) => (
                <FileRow
                  key={file.name}
                  file={file}
                  chosen={chosen.has(file.name)}
                  onToggle={(on) => toggle(file.name, on)}
                  onLook={() => setInside(file.name)}
                />
              ))}
            </tbody>
          )
        })}
      </table>
      {inside !== null && <InsideDialog instrumentId={instrumentId} file={inside} onClose={() => setInside(null)} />}
    </>
  )
}

function FileRow({
  file,
  chosen,
  onToggle,
  onLook,
}: {
  file: MemoryLine
  chosen: boolean
  onToggle: (on: boolean) => void
  onLook: () => void
}) {
  const loaded = file.state === 'LOADED'
  return (
    <tr>
      <td>
        {!loaded && (
          <input
            type="checkbox"
            aria-label={file.name}
            className="h-4 w-4 accent-plum"
            checked={chosen}
            onChange={(event) => onToggle(event.target.checked)}
          />
        )}
      </td>
      <td>
        <StateMark state={file.state} />
      </td>
      <td>{file.what || file.name.replace(/^.*\//, '').replace(/\.zip$/, '')}</td>
      <td className="num text-ink2">{bytes(file.bytes)}</td>
      <td className="text-ink2">
        {tOr(`instruments:state.${file.state}`, file.state)}
        {file.storedAt && ` ${dayAndTime(file.storedAt)}`}
        {file.state === 'PART' && `, ${t('instruments:partKept', { size: bytes(file.arrivedBytes) })}`}
      </td>
      <td>{!loaded && <Button onClick={onLook}>{t('instruments:inside.open')}</Button>}</td>
    </tr>
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
