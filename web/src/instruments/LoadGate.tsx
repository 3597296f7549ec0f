import type { GateItem } from '../api/types'
import { Button } from '../parts/Button'
import { t } from '../words/t'

/** Whether nothing is loaded over it yet. */
export const isOpen = (item: GateItem, accepted: ReadonlySet<GateItem['kind']>) =>
  item.state === 'STOP' || ((item.state === 'RESOLVE' || item.state === 'DECIDE') && !accepted.has(item.kind))

interface Props {
  items: GateItem[]
  accepted: ReadonlySet<GateItem['kind']>
  onAccept: (kind: GateItem['kind'], on: boolean) => void
  onSetClock: (() => void) | undefined
}

/** What was looked at before loading: what is open first, each with what it means and what can be done. */
export function LoadGate({ items, accepted, onAccept, onSetClock }: Props) {
  return (
    <table className="ledger mb-4">
      <thead>
        <tr>
          <th>{t('instruments:gate.columns.state')}</th>
          <th>{t('instruments:gate.columns.item')}</th>
          <th>{t('instruments:gate.columns.found')}</th>
          <th>{t('instruments:gate.columns.means')}</th>
          <th>{t('instruments:gate.columns.remedy')}</th>
        </tr>
      </thead>
      <tbody>
        {items.map((item) => {
          const isAccepted = accepted.has(item.kind)
          const open = isOpen(item, accepted)
          return (
            <tr key={item.kind} className="align-top">
              <td className={`whitespace-nowrap ${open ? 'font-semibold' : ''}`}>
                <GateMark state={isAccepted ? 'NOTE' : item.state} />{' '}
                {isAccepted ? t('instruments:gate.accepted') : t(`instruments:gate.states.${item.state}`)}
              </td>
              <td className="whitespace-nowrap">{t(`instruments:gate.kinds.${item.kind}`)}</td>
              <td className={`whitespace-nowrap ${open ? 'font-semibold' : ''}`}>{item.found}</td>
              <td className="py-1.5! text-ink2">{item.meaning}</td>
              <td className="whitespace-nowrap">
                <span className="flex gap-3">
                  {item.kind === 'CLOCK' && item.state === 'RESOLVE' && onSetClock && (
                    <Button kind="second" onClick={onSetClock}>
                      {t('instruments:gate.setClock')}
                    </Button>
                  )}
                  {(item.state === 'RESOLVE' || item.state === 'DECIDE') && (
                    <Button
                      aria-pressed={isAccepted}
                      aria-label={t('instruments:gate.acceptOf', { item: t(`instruments:gate.kinds.${item.kind}`) })}
                      onClick={() => onAccept(item.kind, !isAccepted)}
                    >
                      {isAccepted ? t('common:undo') : t('instruments:gate.accept')}
                    </Button>
                  )}
                </span>
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

/** The fuller the square, the more it holds up; a tick where nothing does. */
function GateMark({ state }: { state: GateItem['state'] }) {
  return (
    <svg aria-hidden="true" width="14" height="14" viewBox="0 0 14 14" className="mr-1 inline-block">
      {state === 'READY' && <path d="M2 7.5 5.5 11 12 3" fill="none" stroke="currentColor" strokeWidth="1.8" />}
      {state !== 'READY' && (
        <rect
          x="1"
          y="1"
          width="12"
          height="12"
          fill={state === 'STOP' || state === 'RESOLVE' ? 'currentColor' : 'none'}
          stroke="currentColor"
          strokeWidth="1.4"
        />
      )}
      {state === 'STOP' && <path d="M4 4 10 10M10 4 4 10" className="stroke-paper" strokeWidth="1.8" />}
      {state === 'RESOLVE' && <path d="M4 7h6" className="stroke-paper" strokeWidth="1.8" />}
      {state === 'DECIDE' && <path d="M1 1h12v6H1z" fill="currentColor" />}
      {state === 'NOTE' && <circle cx="7" cy="7" r="1.6" fill="currentColor" />}
    </svg>
  )
}
