import { useState } from 'react'
import { api, data } from '../api/client'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { FILLED, type FilledColumn } from './filled'
import { useCorrection } from '../reading/useCorrection'

/** One value for many readings at once. */
export function FillDialog({ readingIds, onClose }: { readingIds: string[]; onClose: () => void }) {
  const [column, setColumn] = useState<FilledColumn>('PRESSURE')
  const [value, setValue] = useState('')
  const correction = useCorrection()
  const isNumber = column === 'PRESSURE' || column === 'DISTANCE'
  const fill = () =>
    correction.mutate({
      run: () =>
        data(
          api.POST('/api/fillings', {
            body: { readingIds, column, value: isNumber ? value.replace(',', '.') : value },
          }),
        ),
      said: t('visits:fill.done', { n: readingIds.length }),
      then: onClose,
    })
  return (
    <Dialog title={t('visits:fill.title', { n: readingIds.length })} open onClose={onClose}>
      <form
        className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2"
        onSubmit={(event) => {
          event.preventDefault()
          fill()
        }}
      >
        <label htmlFor="fill-column">{t('visits:fill.column')}</label>
        <select
          id="fill-column"
          className="field"
          value={column}
          onChange={(event) => setColumn(event.target.value as FilledColumn)}
        >
          {FILLED.map((one) => (
            <option key={one} value={one}>
              {t(`visits:fill.columns.${one}`)}
            </option>
          ))}
        </select>
        <label htmlFor="fill-value">{t('visits:fill.value')}</label>
        <input
          id="fill-value"
          className="field"
          autoFocus
          inputMode={isNumber ? 'decimal' : undefined}
          value={value}
          onChange={(event) => setValue(event.target.value)}
        />
        <p className="col-span-2 text-ink3">{t('visits:fill.empty')}</p>
        <div className="col-span-2">
          <Trouble error={correction.error} />
          <Button kind="main" type="submit" disabled={correction.isPending}>
            {t('common:save')}
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
