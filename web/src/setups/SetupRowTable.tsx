import type { SetupFormView } from '../api/types'
import { Button } from '../parts/Button'
import { withinSentence } from '../units/locale'
import { t } from '../words/t'
import { askedFields, said, usualValues } from './fields'
import { SetupValue } from './SetupValue'

interface Props {
  form: SetupFormView
  rows: Record<string, string>[]
  mayEdit: boolean
  onChange: (rows: Record<string, string>[]) => void
}

/** More than fit beside each other on a tablet. */
const MANY_FIELDS = 7

/** The repeated part of a set-up: the channels of a logger. A line each; where a channel is asked for much, a block each. */
export function SetupRowTable({ form, rows, mayEdit, onChange }: Props) {
  const change = (row: Record<string, string>, key: string, value: string) =>
    onChange(rows.map((other) => (other === row ? { ...row, [key]: value } : other)))
  const drop = (row: Record<string, string>, i: number) =>
    mayEdit &&
    rows.length > 1 && (
      <Button
        className="h-6 min-w-6"
        aria-label={t('setups:dropRow', { row: withinSentence(form.rowName), n: i + 1 })}
        onClick={() => onChange(rows.filter((other) => other !== row))}
      >
        ×
      </Button>
    )
  return (
    <>
      {form.rowFields.length < MANY_FIELDS ? (
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
            {rows.map((row, i) => {
              const asked = askedFields(form.rowFields, row)
              return (
                <tr key={i}>
                  <td className="num text-ink3">{i + 1}</td>
                  {form.rowFields.map((field) => (
                    <td key={field.key}>
                      {asked.includes(field) && (
                        <SetupValue
                          field={field}
                          label={`${field.name} ${i + 1}`}
                          value={said(field, row)}
                          disabled={!mayEdit}
                          onChange={(value) => change(row, field.key, value)}
                        />
                      )}
                    </td>
                  ))}
                  <td className="num">{drop(row, i)}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
      ) : (
        <ol className="max-w-[1000px] border-t border-rule">
          {rows.map((row, i) => (
            <li key={i} className="flex gap-3 border-b border-rule py-2">
              <span className="num w-6 pt-5 text-ink3">{i + 1}</span>
              <div className="flex flex-1 flex-wrap items-end gap-x-3 gap-y-1.5">
                {askedFields(form.rowFields, row).map((field) => (
                  <div
                    key={field.key}
                    className={field.kind === 'TEXT' ? (field.key === 'name' ? 'w-52' : 'w-24') : ''}
                  >
                    <span aria-hidden className="block text-[12px] text-ink2">
                      {field.name}
                    </span>
                    <SetupValue
                      field={field}
                      label={`${field.name} ${i + 1}`}
                      value={said(field, row)}
                      disabled={!mayEdit}
                      onChange={(value) => change(row, field.key, value)}
                    />
                  </div>
                ))}
              </div>
              <span className="pt-5">{drop(row, i)}</span>
            </li>
          ))}
        </ol>
      )}
      {mayEdit && rows.length < form.mostRows && (
        <p className="mt-1.5 mb-3">
          <Button onClick={() => onChange([...rows, usualValues(form.rowFields)])}>
            {t('setups:addRow', { row: withinSentence(form.rowName) })}
          </Button>
        </p>
      )}
    </>
  )
}
