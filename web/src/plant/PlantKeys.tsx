import { useEffect, useState } from 'react'
import { Dialog } from '../parts/Dialog'
import { words } from '../words/en'

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
        <kbd className="border border-rule bg-sheet px-1 font-mono text-[11px]">Enter</kbd> {words.plant.add}{' '}
        <kbd className="border border-rule bg-sheet px-1 font-mono text-[11px]">?</kbd>
      </button>
      <Dialog title={words.keysTitle} open={open} onClose={() => setOpen(false)}>
        <table className="ledger">
          <tbody>
            {words.plant.keys.map(([key, what]) => (
              <tr key={key}>
                <td className="font-mono font-semibold">{key}</td>
                <td>{what}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Dialog>
    </>
  )
}
