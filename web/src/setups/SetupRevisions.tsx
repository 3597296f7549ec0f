import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import type { SetupView } from '../api/types'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { dayAndTime } from '../units/format'
import { t } from '../words/t'

interface Said {
  values: Record<string, string>
  rows: Record<string, string>[]
}

/** How it was before; none is ever lost. */
export function SetupRevisions({ setup, onTake }: { setup: SetupView; onTake: (earlier: Said) => void }) {
  const revisions = useQuery({ ...queries.setupRevisions(setup.id), enabled: setup.revision > 1 })
  const mayEdit = useMay().edit
  const earlier = revisions.data?.filter((one) => one.revision !== setup.revision) ?? []
  if (earlier.length === 0) return null
  return (
    <details className="mt-5 border-t border-rule pt-2">
      <summary className="cursor-pointer font-semibold">{t('setups:earlier')}</summary>
      <table className="ledger max-w-[560px]">
        <tbody>
          {earlier.map((one) => (
            <tr key={one.revision}>
              <td>{t('setups:revision', { n: one.revision })}</td>
              <td>{dayAndTime(one.at)}</td>
              <td>{one.by}</td>
              <td className="num">
                {mayEdit && <Button onClick={() => onTake(one)}>{t('setups:takeEarlier')}</Button>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  )
}
