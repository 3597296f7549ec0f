import type { SetupFormView } from '../api/types'
import { Button } from '../parts/Button'
import { words } from '../words/en'
import { isAsked, usualValues } from './fields'
import { SetupValue } from './SetupValue'

interface Props {
  form: SetupFormView
  rows: Record<string, string>[]
  mayEdit: boolean
  onChange: (rows: Record<string, string>[]) => void
}

/** The repeated part of a set-up, a line each: the channels of a logger. */
export function SetupRowTable({ form, rows, mayEdit, onChange }: Props) {
  return (
    <>
      <table className="ledger max-w-[860px]">
        <thead>
          <tr>
            <th className="w-8">{form.rowName}</th>
            {form.rowFields.map((field) => (
              <th key={field.key}>{field.name}</th>
            ))}
            <th />
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i}>
              <td className="num text-ink3">{i + 1}</td>
              {form.rowFields.map((field) => (
                <td key={field.key}>
                  {isAsked(field, row) && (
                    <SetupValue
                      field={field}
                      label={`${field.name} ${i + 1}`}
                      value={row[field.key] ?? ''}
                      disabled={!mayEdit}
                      onChange={(value) => onChange(rows.map((other) => (other === row ? { ...row, [field.key]: value } : other)))}
                    />
                  )}
                </td>
              ))}
              <td className="num">
                {mayEdit && rows.length > 1 && (
                  <Button className="h-6 min-w-6" aria-label={words.setups.dropRow(form.rowName, i + 1)} onClick={() => onChange(rows.filter((other) => other !== row))}>
                    ×
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {mayEdit && rows.length < form.mostRows && (
        <p className="mt-1.5 mb-3">
          <Button onClick={() => onChange([...rows, usualValues(form.rowFields)])}>{words.setups.addRow(form.rowName)}</Button>
        </p>
      )}
    </>
  )
}
