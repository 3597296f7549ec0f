import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import { noFilter } from './looking'

interface Props {
  /** Only checks of this technique. */
  technique: string
  label: string
  /** What no check means. */
  none: string
  chosen: string | null
  onChoose: (checkId: string | null) => void
}

/** Chooses a check of one technique, or none. */
export function CheckSelect({ technique, label, none, chosen, onChoose }: Props) {
  const checks = useQuery(queries.checks({ ...noFilter, technique })).data?.checks ?? []
  return (
    <select
      aria-label={label}
      className="field max-w-60"
      value={chosen ?? ''}
      onChange={(event) => onChoose(event.target.value || null)}
    >
      <option value="">{none}</option>
      {checks.map((check) => (
        <option key={check.id} value={check.id}>
          {check.assetTag || check.assetName} {check.point}, {check.check}
        </option>
      ))}
    </select>
  )
}
