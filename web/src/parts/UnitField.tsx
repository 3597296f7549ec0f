import { useMutation } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { typedNumber } from '../units/format'
import { written } from '../units/locale'
import { Trouble } from './Trouble'

interface Props {
  label: string
  value: string
  /** The number is kept in it. */
  unit: string
  /** Whether it is a change or a width: then it is never shifted. */
  isDifference: boolean
  onChange: (text: string) => void
}

/** A number in a unit; typed with another one, "95 psi", it is converted when the field is left. */
export function UnitField({ label, value, unit, isDifference, onChange }: Props) {
  const read = useMutation({
    mutationFn: (text: string) =>
      data(api.GET('/api/units/read', { params: { query: { text, unit, difference: isDifference } } })),
    onSuccess: (amount) => onChange(written(String(amount.value))),
  })
  return (
    <>
      <input
        aria-label={label}
        inputMode="decimal"
        autoComplete="off"
        maxLength={60}
        className="field w-24 text-right text-[14px]"
        value={value}
        onChange={(event) => {
          read.reset()
          onChange(event.target.value)
        }}
        onBlur={() => {
          if (value.trim() !== '' && typedNumber(value) === null) read.mutate(value)
        }}
      />
      <Trouble error={read.error} />
    </>
  )
}
