import type { ForeignColumn, ForeignLook } from '../api/types'
import { CheckSelect } from '../plant/CheckSelect'
import { t } from '../words/t'
const SHOWN = 4
const uses = [
  'IGNORED',
  'DATE_AND_TIME',
  'DATE',
  'TIME_OF_DAY',
  'TAG',
  'POINT',
  'UNIT',
  'NOTE',
  'VALUE',
] as const satisfies readonly ForeignColumn['use'][]

/** The table's own first rows, each column under what it is taken for. */
export function ForeignColumns({
  look,
  columns,
  onChange,
}: {
  look: ForeignLook
  columns: ForeignColumn[]
  onChange: (columns: ForeignColumn[]) => void
}) {
  const change = (at: number, changed: Partial<ForeignColumn>) =>
    onChange(columns.map((column, i) => (i === at ? { ...column, ...changed } : column)))
  return (
    <div className="overflow-x-auto border-y border-rule">
      <table className="ledger">
        <thead>
          <tr className="align-top">
            {look.headings.map((heading, i) => (
              <th key={i} className="min-w-32">
                <span className="block">{heading}</span>
                {columns[i] && (
                  <ColumnMeaning heading={heading} column={columns[i]} onChange={(changed) => change(i, changed)} />
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {look.rows.slice(0, SHOWN).map((row, at) => (
            <tr key={at}>
              {row.map((cell, i) => (
                <td key={i} className={`whitespace-nowrap ${columns[i]?.use === 'IGNORED' ? 'text-ink3' : ''}`}>
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {look.rowCount > SHOWN && (
        <p className="px-2 py-1 text-ink3">{t('foreign:rowsMore', { n: look.rowCount - SHOWN })}</p>
      )}
    </div>
  )
}

function ColumnMeaning({
  heading,
  column,
  onChange,
}: {
  heading: string
  column: ForeignColumn
  onChange: (changed: Partial<ForeignColumn>) => void
}) {
  return (
    <span className="mt-1 flex flex-col gap-1 font-normal">
      <select
        aria-label={t('foreign:use', { heading })}
        className="field"
        value={column.use}
        onChange={(event) => onChange({ use: event.target.value as ForeignColumn['use'] })}
      >
        {uses.map((use) => (
          <option key={use} value={use}>
            {t(`foreign:uses.${use}`)}
          </option>
        ))}
      </select>
      {column.use === 'VALUE' && (
        <>
          <input
            aria-label={t('foreign:unit', { heading })}
            placeholder={t('foreign:unitOfRow')}
            className="field w-full"
            value={column.unit}
            onChange={(event) => onChange({ unit: event.target.value })}
          />
          <CheckSelect
            technique="gauge"
            label={t('foreign:check', { heading })}
            none={t('foreign:byRow')}
            chosen={column.checkId}
            onChoose={(checkId) => onChange({ checkId })}
          />
        </>
      )}
    </span>
  )
}
