import { showKeys } from '../actions/KeyList'
import { t } from '../words/t'

/** What is done most, and where the other keys are told. */
export function PlantKeys() {
  return (
    <button type="button" className="cursor-pointer whitespace-nowrap text-[12px]" onClick={showKeys}>
      <kbd className="border border-rule bg-sheet px-1 font-mono text-[11px]">{t('plant:keys.add.keys')}</kbd>{' '}
      {t('plant:add')} <kbd className="border border-rule bg-sheet px-1 font-mono text-[11px]">?</kbd>
    </button>
  )
}
