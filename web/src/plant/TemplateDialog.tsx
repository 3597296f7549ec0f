import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { TemplateLine } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { Followers } from './Followers'
import { labelOf, mayHold, type Row, type Target } from './outline'
import { usePlantEdit } from './usePlantEdit'

/** Where stamped assets come: into the chosen row, or behind it. */
function placeFor(template: TemplateLine, row: Row | undefined): (Target & { parentId: string }) | null {
  if (!row) return null
  const { node } = row
  if (node.level === template.level && node.parentId) return { parentId: node.parentId, afterId: node.id }
  return mayHold(node.level, template.level) ? { parentId: node.id, afterId: null } : null
}

/** Stamps assets out of a template, and brings those that were stamped before up to it. */
export function TemplateDialog({
  row,
  onStamped,
  onClose,
}: {
  row: Row | undefined
  onStamped: (first: string | undefined) => void
  onClose: () => void
}) {
  const templates = useQuery(queries.templates())
  const [chosenId, setChosenId] = useState<string>()
  const chosen = templates.data?.find((template) => template.id === chosenId) ?? templates.data?.[0]
  return (
    <Dialog title={t('plant:templates.title')} open wide onClose={onClose}>
      <Trouble error={templates.error} />
      <div className="flex gap-5">
        <ul
          aria-label={t('plant:templates.title')}
          className="max-h-[64vh] w-[280px] shrink-0 overflow-auto border-r border-rule pr-3"
        >
          {templates.data?.map((template) => (
            <li key={template.id}>
              <button
                type="button"
                aria-current={template === chosen ? 'true' : undefined}
                onClick={() => setChosenId(template.id)}
                className={`block w-full cursor-pointer border-b border-l-[3px] border-b-rule px-2 py-1.5 text-left ${template === chosen ? 'border-l-plum bg-wash' : 'border-l-transparent hover:bg-paper2'}`}
              >
                <span className="block font-semibold">{template.name}</span>
                <span className="text-ink2">
                  {t('plant:templates.line', { checks: template.checks, stamped: template.stamped })}
                </span>
              </button>
            </li>
          ))}
        </ul>
        {chosen && (
          <div className="min-w-0 flex-1">
            <StampForm key={chosen.id} template={chosen} row={row} onDone={onStamped} />
            <h3 className="mt-4 font-semibold">{t('plant:templates.parts', { revision: chosen.revision })}</h3>
            <ul className="max-h-[26vh] overflow-auto text-ink2">
              {chosen.parts.map((part, i) => (
                <li key={`${i} ${part.label}`} style={{ paddingLeft: part.depth * 15 }}>
                  {part.label} <span className="text-[12px] text-ink3">{t(`common:level.${part.level}`)}</span>
                </li>
              ))}
            </ul>
            {chosen.behind > 0 && <Followers key={`${chosen.id} ${chosen.revision}`} template={chosen} />}
          </div>
        )}
      </div>
    </Dialog>
  )
}

function StampForm({
  template,
  row,
  onDone,
}: {
  template: TemplateLine
  row: Row | undefined
  onDone: (first: string | undefined) => void
}) {
  const [tags, setTags] = useState('')
  const [name, setName] = useState('')
  const { stamp } = usePlantEdit()
  const place = placeFor(template, row)
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        if (place)
          stamp.mutate(
            { template: template.id, ...place, tags, name },
            { onSuccess: (stamped) => onDone(stamped.added[0]) },
          )
      }}
    >
      <p className="mb-2 text-ink2">
        {place && row
          ? place.afterId
            ? t('plant:templates.behind', { place: labelOf(row.node) })
            : t('plant:templates.into', { place: labelOf(row.node) })
          : t('plant:templates.noPlace')}
      </p>
      <div className="flex items-end gap-3">
        <label className="block">
          <span className="block text-[12px] text-ink2">{t('plant:templates.tags')}</span>
          <input
            aria-label={t('plant:templates.tags')}
            className="field w-56 font-mono"
            autoFocus
            placeholder="P-201..P-240"
            value={tags}
            onChange={(event) => setTags(event.target.value)}
          />
        </label>
        <label className="block min-w-0 flex-1">
          <span className="block text-[12px] text-ink2">{t('plant:templates.name')}</span>
          <input
            aria-label={t('plant:templates.name')}
            className="field w-full"
            placeholder={template.name}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <Button kind="main" type="submit" disabled={!place || !tags.trim() || stamp.isPending}>
          {t('plant:templates.stamp')}
        </Button>
      </div>
      <Trouble error={stamp.error} />
    </form>
  )
}
