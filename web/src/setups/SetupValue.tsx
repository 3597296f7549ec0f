import type { SetupFieldView } from '../api/types'
import { MomentField } from '../parts/DateField'

interface Props {
  field: SetupFieldView
  label: string
  value: string
  disabled: boolean
  onChange: (value: string) => void
}

/** One field of a set-up, as its kind asks for it. */
export function SetupValue({ field, label, value, disabled, onChange }: Props) {
  if (field.kind === 'CHOICE') {
    return (
      <select
        aria-label={label}
        className="field"
        disabled={disabled}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      >
        {field.options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.name}
          </option>
        ))}
      </select>
    )
  }
  if (field.kind === 'MOMENT') {
    return <MomentField label={label} disabled={disabled} value={value} onChange={onChange} />
  }
  const isNumber = field.kind === 'NUMBER'
  return (
    <input
      aria-label={label}
      className={`field ${isNumber ? 'w-20 text-right' : 'w-full'}`}
      inputMode={isNumber ? 'decimal' : undefined}
      disabled={disabled}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  )
}
