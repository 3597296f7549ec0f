import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { dayAndTime } from '../units/format'
import { t, tOr } from '../words/t'
import { settle, useContradiction } from './contradictions'

/** Two people changed the same thing: the later one sees both and chooses. */
export function ClashDialog() {
  const contradiction = useContradiction()
  const clashes = contradiction?.clashes ?? []
  const takeMine = () => {
    settle()
    contradiction?.takeMine()
  }
  return (
    <Dialog title={t('plant:clash.title')} open={clashes.length > 0} onClose={settle}>
      <p className="mb-3 text-ink2">{t('plant:clash.explain')}</p>
      <table className="ledger mb-4">
        <thead>
          <tr>
            <th />
            <th>{t('plant:clash.theirs')}</th>
            <th>{t('plant:clash.yours')}</th>
          </tr>
        </thead>
        <tbody>
          {clashes.map((clash) => (
            <tr key={`${clash.node} ${clash.facet}`}>
              <td>
                <span className="block">{clash.label}</span>
                <span className="block text-[12px] text-ink3">{facetName(clash.facet)}</span>
              </td>
              <td>
                <span className="block font-semibold">{clash.theirsSaid || t('plant:clash.nothing')}</span>
                <span className="block text-[12px] text-ink3">
                  {clash.by} {clash.at && dayAndTime(clash.at)}
                </span>
              </td>
              <td className="font-semibold">{clash.yoursSaid || t('plant:clash.nothing')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex gap-4">
        <Button kind="second" onClick={settle} autoFocus>
          {t('plant:clash.keepTheirs')}
        </Button>
        <Button kind="second" onClick={takeMine}>
          {t('plant:clash.takeMine')}
        </Button>
      </div>
    </Dialog>
  )
}

function facetName(facet: string): string {
  return tOr(`plant:clash.facets.${facet}`, facet.slice(facet.lastIndexOf('.') + 1))
}
