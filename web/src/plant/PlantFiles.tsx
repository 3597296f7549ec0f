import { useRef, useState } from 'react'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { t } from '../words/t'
import type { ImportSource } from './importing'
import { labelOf } from './outline'
const ways = ['csv', 'xlsx', 'json'] as const

interface Props {
  chosen: { id: string; tag: string; name: string } | undefined
  mayEdit: boolean
  onImport: (source: ImportSource) => void
}

/** The plant, or the chosen branch of it, out into a file and in again. */
export function PlantFiles({ chosen, mayEdit, onImport }: Props) {
  const [open, setOpen] = useState(false)
  const input = useRef<HTMLInputElement>(null)
  const link = (format: string, node?: string) => `/api/plant/export?format=${format}${node ? `&node=${node}` : ''}`
  return (
    <>
      <Button onClick={() => setOpen(true)}>{t('plant:files.open')}</Button>
      <Dialog title={t('plant:files.title')} open={open} onClose={() => setOpen(false)}>
        <h3 className="font-semibold">{t('plant:files.export')}</h3>
        <table className="ledger mb-4">
          <tbody>
            <tr>
              <td>{t('plant:files.whole')}</td>
              <Links href={(format) => link(format)} />
            </tr>
            {chosen && (
              <tr>
                <td>{labelOf(chosen)}</td>
                <Links href={(format) => link(format, chosen.id)} />
              </tr>
            )}
          </tbody>
        </table>
        {mayEdit && (
          <>
            <h3 className="font-semibold">{t('plant:files.import')}</h3>
            <p className="mb-2 text-ink2">{t('plant:files.importSay')}</p>
            <input
              ref={input}
              type="file"
              aria-label={t('plant:files.choose')}
              accept=".csv,.tsv,.txt,.xlsx,.json"
              onChange={(event) => {
                const file = event.target.files?.[0]
                if (!file) return
                setOpen(false)
                onImport({ kind: 'file', file, parentId: null })
              }}
            />
          </>
        )}
      </Dialog>
    </>
  )
}

function Links({ href }: { href: (format: string) => string }) {
  return (
    <td className="num">
      {ways.map((format) => (
        <a key={format} className="ml-4 font-semibold text-plum hover:underline" href={href(format)} download>
          {format.toUpperCase()}
        </a>
      ))}
    </td>
  )
}
