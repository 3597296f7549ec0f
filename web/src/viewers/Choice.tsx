interface Props<T extends string> {
  label: string
  value: T
  options: readonly T[]
  said?: Partial<Record<T, string>>
  onChange: (value: T) => void
}

/** One of a few words, chosen beside its name. */
export function Choice<T extends string>({ label, value, options, said, onChange }: Props<T>) {
  return (
    <label className="inline-flex items-center gap-1.5 text-ink2">
      {label}
      <select className="field text-ink" value={value} onChange={(event) => onChange(event.target.value as T)}>
        {options.map((option) => (
          <option key={option} value={option}>
            {said?.[option] ?? option}
          </option>
        ))}
      </select>
    </label>
  )
}
