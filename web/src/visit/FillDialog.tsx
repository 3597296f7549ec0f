import { useState } from 'react'
import { api, data } from '../api/client'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { words } from '../words/en'
import { FILLED, type FilledColumn } from './filled'
import { useMending } from '../reading/useMending'

const text = words.visits.fill

/** One value for many readings at once. */
export function FillDialog({ readingIds, onClose }: { readingIds: string[]; onClose: () => void }) {
  const [column, setColumn] = useState<FilledColumn>('PRESSURE')
  const [value, setValue] = useState('')
  const mending = useMending()
  const isNumber = column === 'PRESSURE' || column === 'DISTANCE'
  const fill = () =>
    mending.mutate({
      run: () =>
        data(
          api.POST('/api/fillings', {
            body: { readingIds, column, value: isNumber ? value.replace(',', '.') : value },
          }),
        ),
      said: text.done(readingIds.length),
      then: onClose,
    })
  return (
    <Dialog title={text.title(readingIds.length)} open onClose={onClose}>
      <form
        className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2"
        onSubmit={(event) => {
          event.preventDefault()
          fill()
        }}
      >
        <label htmlFor="fill-column">{text.column}</label>
        <select
          id="fill-column"
          className="field"
          value={column}
          onChange={(event) => setColumn(event.target.value as FilledColumn)}
        >
          {FILLED.map((one) => (
            <option key={one} value={one}>
              {text.columns[one]}
            </option>
          ))}
        </select>
        <label htmlFor="fill-value">{text.value}</label>
        <input
          id="fill-value"
          className="field"
          autoFocus
          inputMode={isNumber ? 'decimal' : undefined}
          value={value}
          onChange={(event) => setValue(event.target.value)}
        />
        <p className="col-span-2 text-ink3">{text.empty}</p>
        <div className="col-span-2">
          <Trouble error={mending.error} />
          <Button kind="main" type="submit" disabled={mending.isPending}>
            {words.common.save}
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
