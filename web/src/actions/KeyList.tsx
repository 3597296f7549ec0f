import { useEffect, useState } from 'react'
import { Dialog } from '../parts/Dialog'
import { t } from '../words/t'
import { isTyping, useShownActions } from './actions'

const ASKED = 'rovek-show-keys'

/** As `?` does. */
export function showKeys() {
  window.dispatchEvent(new Event(ASKED))
}

/** `?` shows the keys of the view, in every room. */
export function KeyList() {
  const [open, setOpen] = useState(false)
  const actions = useShownActions()
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.key === '?' && !isTyping(event.target)) setOpen(true)
    }
    const show = () => setOpen(true)
    window.addEventListener('keydown', listen)
    window.addEventListener(ASKED, show)
    return () => {
      window.removeEventListener('keydown', listen)
      window.removeEventListener(ASKED, show)
    }
  }, [])
  const lines = [...new Map(actions.map((action) => [action.keys, action])).values()]
  return (
    <Dialog title={t('common:keysTitle')} open={open} onClose={() => setOpen(false)}>
      <table className="ledger">
        <tbody>
          {lines.map((action) => (
            <tr key={action.keys} className={action.may ? '' : 'text-ink3'}>
              <td className="font-mono font-semibold">{t(action.keys)}</td>
              <td>{t(action.does)}</td>
            </tr>
          ))}
          <tr>
            <td className="font-mono font-semibold">{t('common:keys.find.keys')}</td>
            <td>{t('common:keys.find.does')}</td>
          </tr>
          <tr>
            <td className="font-mono font-semibold">?</td>
            <td>{t('common:keys.list.does')}</td>
          </tr>
        </tbody>
      </table>
    </Dialog>
  )
}
