import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { changed } from '../api/subjects'
import type { PlantNode } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { labelOf } from './outline'

/** Keeps an asset with all below it: as a new template, or as the next revision of one. */
export function KeepAsTemplate({ node }: { node: PlantNode }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button onClick={() => setOpen(true)}>{t('plant:templates.keep')}</Button>
      {open && <KeepDialog node={node} onClose={() => setOpen(false)} />}
    </>
  )
}

function KeepDialog({ node, onClose }: { node: PlantNode; onClose: () => void }) {
  const client = useQueryClient()
  const templates = useQuery(queries.templates())
  const [name, setName] = useState(node.name)
  const [templateId, setTemplateId] = useState('')
  const keep = useMutation({
    mutationFn: () =>
      data(
        api.POST('/api/templates', {
          body: { nodeId: node.id, templateId: templateId || null, name: templateId ? null : name },
        }),
      ),
    onSuccess: async (kept) => {
      await changed(client, 'templates')
      say(t('plant:templates.kept', { name: kept.name, revision: kept.revision }))
      onClose()
    },
  })
  return (
    <Dialog title={t('plant:templates.keepTitle', { name: labelOf(node) })} open onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          keep.mutate()
        }}
      >
        <label className="block">
          <span className="block text-[12px] text-ink2">{t('plant:templates.keepAs')}</span>
          <select
            aria-label={t('plant:templates.keepAs')}
            className="field w-full"
            value={templateId}
            onChange={(event) => setTemplateId(event.target.value)}
          >
            <option value="">{t('plant:templates.asNew')}</option>
            {templates.data
              ?.filter((template) => template.level === node.level)
              .map((template) => (
                <option key={template.id} value={template.id}>
                  {t('plant:templates.asNext', { name: template.name, revision: template.revision + 1 })}
                </option>
              ))}
          </select>
        </label>
        {!templateId && (
          <label className="block">
            <span className="block text-[12px] text-ink2">{t('plant:templates.templateName')}</span>
            <input
              aria-label={t('plant:templates.templateName')}
              className="field w-full"
              autoFocus
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
        )}
        <Trouble error={keep.error} />
        <div className="flex gap-4">
          <Button kind="main" type="submit" disabled={keep.isPending || (!templateId && !name.trim())}>
            {t('plant:templates.keepDo')}
          </Button>
          <Button onClick={onClose}>{t('common:cancel')}</Button>
        </div>
      </form>
    </Dialog>
  )
}
