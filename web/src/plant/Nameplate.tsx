import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { Plate, PlateLine, PlantNode } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { number } from '../units/format'
import { written } from '../units/locale'
import { t } from '../words/t'
import { labelOf } from './outline'
import { type Facets, usePlantEdit } from './usePlantEdit'

/** What stands on a line, as whoever reads it writes numbers and calls what was chosen. */
function valueOf({ options, isNumber, value }: PlateLine): string {
  return isNumber ? written(value) : (options.find((one) => one.value === value)?.name ?? value)
}

/** What stands on a node's plate, in one line; opened, every line of its class with its unit. */
export function Nameplate({ node, mayEdit }: { node: PlantNode; mayEdit: boolean }) {
  const plate = useQuery(queries.plate(node.id))
  const [open, setOpen] = useState(false)
  if (!plate.data) return null
  const filled = plate.data.lines.filter((line) => line.value)
  const said = filled.map((line) => `${line.name} ${valueOf(line)} ${line.unit}`.trim()).join(', ')
  return (
    <>
      {said && <span className="max-w-full truncate">{said}.</span>}
      {(mayEdit || plate.data.derived.length > 0) && (
        <Button onClick={() => setOpen(true)}>{said ? t('plant:plate.open') : t('plant:plate.add')}</Button>
      )}
      {open && (
        <PlateDialog key={node.id} node={node} plate={plate.data} mayEdit={mayEdit} onClose={() => setOpen(false)} />
      )}
    </>
  )
}

function PlateDialog({
  node,
  plate,
  mayEdit,
  onClose,
}: {
  node: PlantNode
  plate: Plate
  mayEdit: boolean
  onClose: () => void
}) {
  const [typed, setTyped] = useState<Record<string, string>>({})
  const { alter } = usePlantEdit()
  const change = (facets: Facets, then?: () => void) =>
    alter.mutate({ nodes: [{ node: node.id, facets }] }, { onSuccess: then })
  const save = () => {
    const facets: Facets = {}
    for (const line of plate.lines) {
      const said = typed[line.key]?.trim()
      const to = line.isNumber ? said?.replace(',', '.') : said
      if (to !== undefined && to !== line.value) facets[`nameplate.${line.key}`] = { from: line.value, to }
    }
    if (Object.keys(facets).length > 0) change(facets, onClose)
    else onClose()
  }
  return (
    <Dialog title={t('plant:plate.title', { name: labelOf(node) })} open wide onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          save()
        }}
      >
        <label className="mb-3 flex items-center gap-3">
          <span className="w-44 text-ink2">{t('plant:plate.class')}</span>
          <select
            aria-label={t('plant:plate.class')}
            className="field w-56"
            disabled={!mayEdit}
            value={plate.assetClass}
            onChange={(event) => change({ class: { from: plate.assetClass, to: event.target.value } })}
          >
            <option value="">{t('plant:plate.noClass')}</option>
            {plate.classes.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </select>
        </label>
        <div className="grid grid-cols-2 gap-x-8 gap-y-1.5 max-lg:grid-cols-1">
          {plate.lines.map((line) => (
            <label key={line.key} className="flex items-center gap-3">
              <span className="w-44 shrink-0 text-ink2">{line.name}</span>
              <PlateField
                line={line}
                disabled={!mayEdit}
                value={typed[line.key] ?? (line.options.length > 0 ? line.value : valueOf(line))}
                onType={(value) => setTyped({ ...typed, [line.key]: value })}
              />
              <span className="text-ink3">{line.unit}</span>
            </label>
          ))}
        </div>
        {plate.derived.length > 0 && (
          <>
            <h3 className="mt-4 font-semibold">{t('plant:plate.derived')}</h3>
            <ul className="flex flex-wrap gap-x-6">
              {plate.derived.map((one) => (
                <li key={one.name}>
                  <span className="text-ink2">{one.name}</span>{' '}
                  <span className="font-semibold">{number(one.value, one.unit)}</span> {one.unit}
                </li>
              ))}
            </ul>
          </>
        )}
        <Trouble error={alter.error} />
        <div className="mt-4 flex gap-4">
          {mayEdit && (
            <Button kind="main" type="submit" disabled={alter.isPending}>
              {t('plant:plate.save')}
            </Button>
          )}
          <Button onClick={onClose}>{t('common:close')}</Button>
        </div>
      </form>
    </Dialog>
  )
}

function PlateField({
  line,
  value,
  disabled,
  onType,
}: {
  line: PlateLine
  value: string
  disabled: boolean
  onType: (value: string) => void
}) {
  if (line.options.length > 0) {
    return (
      <select
        aria-label={line.name}
        className="field w-36"
        disabled={disabled}
        value={value}
        onChange={(event) => onType(event.target.value)}
      >
        <option value="" />
        {line.options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.name}
          </option>
        ))}
      </select>
    )
  }
  return (
    <input
      aria-label={line.name}
      className={`field ${line.isNumber ? 'w-36 text-right' : 'min-w-0 flex-1'}`}
      inputMode={line.isNumber ? 'decimal' : 'text'}
      disabled={disabled}
      value={value}
      onChange={(event) => onType(event.target.value)}
    />
  )
}
