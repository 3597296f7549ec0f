import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { OriginalLine } from '../api/types'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { useMay } from '../parts/useMay'
import { t } from '../words/t'

/** What of an original could not be taken, and what can be done about it. */
export function LeftOut({ original, onTakeAgain }: { original: OriginalLine; onTakeAgain: () => void }) {
  const mayEdit = useMay().edit
  if (original.leftOut.length === 0) return null
  return (
    <div className="mb-2 border-l-2 border-rule2 pl-3">
      <p className="font-semibold">{t('instruments:leftOut.say', { n: original.leftOut.length })}</p>
      <ul className="max-h-40 overflow-auto">
        {original.leftOut.map((reason, i) => (
          <li key={i} className="text-ink2">
            {reason}
          </li>
        ))}
      </ul>
      {mayEdit &&
        original.unknownUnits.map((written) => <UnitMeaning key={written} written={written} onSaid={onTakeAgain} />)}
    </div>
  )
}

/** Says once what a maker's spelling of a unit means; then the original is taken again. */
function UnitMeaning({ written, onSaid }: { written: string; onSaid: () => void }) {
  const [symbol, setSymbol] = useState('')
  const spellings = useQuery(queries.unitSpellings())
  const save = useMutation({
    mutationFn: () => data(api.PUT('/api/unit-spellings', { body: { written, symbol } })),
    onSuccess: onSaid,
  })
  return (
    <form
      className="mt-1 flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        save.mutate()
      }}
    >
      <label className="flex flex-col text-[12px] text-ink2">
        {t('instruments:leftOut.means', { written })}
        <select
          className="field text-[14px]"
          value={symbol}
          onChange={(event) => setSymbol(event.target.value)}
          required
        >
          <option value="">{t('instruments:leftOut.choose')}</option>
          {(spellings.data?.symbols ?? []).map((one) => (
            <option key={one} value={one}>
              {one}
            </option>
          ))}
        </select>
      </label>
      <Button type="submit" disabled={symbol === '' || save.isPending}>
        {t('instruments:leftOut.save')}
      </Button>
      <Trouble error={save.error} />
    </form>
  )
}
