import { useEffect, useState } from 'react'
import { Dialog } from '../parts/Dialog'
import { t } from '../words/t'

const keys = [
  'rows',
  'fold',
  'add',
  'level',
  'rename',
  'duplicate',
  'clipboard',
  'all',
  'move',
  'indent',
  'stamp',
  'remove',
  'undo',
] as const

/** `?` shows the keys of the view. */
export function PlantKeys() {
  const [open, setOpen] = useState(false)
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement
      if (event.key === '?' && !typing) setOpen(true)
    }
    window.addEventListener('keydown', listen)
    return () => window.removeEventListener('keydown', listen)
  }, [])
  return (
    <>
      <button type="button" className="cursor-pointer whitespace-nowrap text-[12px]" onClick={() => setOpen(true)}>
        <kbd className="border border-rule bg-sheet px-1 font-mono text-[11px]">{t('plant:keys.add.keys')}</kbd>{' '}
        {t('plant:add')} <kbd className="border border-rule bg-sheet px-1 font-mono text-[11px]">?</kbd>
      </button>
      <Dialog title={t('common:keysTitle')} open={open} onClose={() => setOpen(false)}>
        <table className="ledger">
          <tbody>
            {keys.map((key) => (
              <tr key={key}>
                <td className="font-mono font-semibold">{t(`plant:keys.${key}.keys`)}</td>
                <td>{t(`plant:keys.${key}.does`)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Dialog>
    </>
  )
}
