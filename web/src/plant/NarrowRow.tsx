import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import { Button } from '../parts/Button'
import { t } from '../words/t'
import { isNarrowed, type Looking, type Narrowing, narrowings } from './looking'

/** Narrows the plant to an area, a technique, a class of assets, a criticality. */
export function NarrowRow({ looking, onChange }: { looking: Looking; onChange: (looking: Looking) => void }) {
  const techniques = useQuery(queries.techniques())
  const classes = useQuery(queries.classes())
  const areas = useQuery(queries.areas())
  const choices: Record<Narrowing, { id: string; name: string }[]> = {
    within: (areas.data ?? []).map((area) => ({ id: area.id, name: area.name || area.tag })),
    technique: techniques.data ?? [],
    assetClass: classes.data?.classes ?? [],
    criticality: (classes.data?.criticalities ?? []).map(({ value, name }) => ({ id: value, name })),
  }
  return (
    <div className="flex basis-full flex-wrap items-center gap-2">
      {narrowings.map((key) => (
        <select
          key={key}
          aria-label={t(`plant:narrow.${key}`)}
          className={`field h-[28px] min-w-0 max-w-[124px] flex-1 ${looking[key] ? 'font-semibold text-plum' : ''}`}
          value={looking[key] ?? ''}
          onChange={(event) => onChange({ ...looking, [key]: event.target.value || undefined })}
        >
          <option value="">{t(`plant:narrow.${key}`)}</option>
          {choices[key].map((choice) => (
            <option key={choice.id} value={choice.id}>
              {choice.name}
            </option>
          ))}
        </select>
      ))}
      {isNarrowed(looking) && (
        <Button onClick={() => onChange({ text: looking.text, show: looking.show })}>{t('plant:narrow.clear')}</Button>
      )}
    </div>
  )
}
