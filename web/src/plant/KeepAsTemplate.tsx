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
import { words } from '../words/en'
import { labelOf } from './outline'

const text = words.plant.templates

/** Keeps an asset with all beneath it: as a new template, or as the next revision of one. */
export function KeepAsTemplate({ node }: { node: PlantNode }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button onClick={() => setOpen(true)}>{text.keep}</Button>
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
      say(text.kept(kept.name, kept.revision))
      onClose()
    },
  })
  return (
    <Dialog title={text.keepTitle(labelOf(node))} open onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          keep.mutate()
        }}
      >
        <label className="block">
          <span className="block text-[12px] text-ink2">{text.keepAs}</span>
          <select
            aria-label={text.keepAs}
            className="field w-full"
            value={templateId}
            onChange={(event) => setTemplateId(event.target.value)}
          >
            <option value="">{text.asNew}</option>
            {templates.data
              ?.filter((template) => template.level === node.level)
              .map((template) => (
                <option key={template.id} value={template.id}>
                  {text.asNext(template.name, template.revision + 1)}
                </option>
              ))}
          </select>
        </label>
        {!templateId && (
          <label className="block">
            <span className="block text-[12px] text-ink2">{text.templateName}</span>
            <input
              aria-label={text.templateName}
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
            {text.keepDo}
          </Button>
          <Button onClick={onClose}>{words.common.cancel}</Button>
        </div>
      </form>
    </Dialog>
  )
}
