import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'
import { shownIn } from '../units/shown'
import { UnitTable } from '../units/UnitTable'
import { t } from '../words/t'
import { OwnUnits } from './OwnUnits'
import { presets } from './unitPresets'
import { type Whose, held, useUnitChoice } from './useUnitChoice'

/** Which unit each kind of quantity is shown in. */
export function Units({ mayDecide }: { mayDecide: boolean }) {
  const units = useQuery(queries.units())
  const [whose, setWhose] = useState<Whose>('mine')
  const choose = useUnitChoice(whose)
  const mayChoose = whose === 'mine' || mayDecide
  return (
    <section className="mb-6" id="units" aria-labelledby="units-title">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h2 id="units-title" className="font-semibold">
          {t('setup:units.title')}
        </h2>
        <span role="radiogroup" aria-labelledby="units-title" className="flex gap-4">
          {(['mine', 'everybody'] as const).map((one) => (
            <label key={one} className="flex min-h-[26px] items-center gap-1.5">
              <input
                type="radio"
                name="whose"
                className="h-4 w-4 accent-plum"
                checked={whose === one}
                onChange={() => setWhose(one)}
              />
              {t(`setup:units.${one}`)}
            </label>
          ))}
        </span>
        {mayChoose && units.data && (
          <span className="ml-auto flex gap-4 text-ink2">
            {t('setup:units.preset')}
            {presets.map((preset) => (
              <Button
                key={preset.name}
                onClick={() =>
                  choose.mutate({
                    wanted: units.data.kinds.map(({ kind }) => ({ kind, chosen: preset.chosen(kind) })),
                    before: units.data.kinds.map((kind) => held(kind, whose)),
                  })
                }
              >
                {t(`setup:units.presets.${preset.name}`)}
              </Button>
            ))}
          </span>
        )}
      </div>
      <p className="mb-1 text-ink2">{t('setup:units.say')}</p>
      <Trouble error={units.error ?? choose.error} />
      {units.data && (
        <UnitTable
          kinds={units.data.kinds}
          chosen={(kind) => held(kind, whose).chosen}
          inherited={(kind) => (whose === 'mine' ? kind.everybody : null)}
          by={shownIn}
          disabled={!mayChoose || choose.isPending}
          onChoose={(kind, chosen) =>
            choose.mutate({ wanted: [{ kind: kind.kind, chosen }], before: [held(kind, whose)] })
          }
        />
      )}
      {units.data && <OwnUnits units={units.data} mayDecide={mayDecide} />}
    </section>
  )
}
