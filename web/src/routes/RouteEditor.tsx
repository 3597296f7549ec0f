import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import type { RouteView } from '../api/types'
import { changed } from '../api/subjects'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { CheckChooser } from './CheckChooser'
import { RemoveRoute } from './RemoveRoute'
import { RouteFit } from './RouteFit'
import { RouteTerms, type Terms } from './RouteTerms'
import { ShortestWalk } from './ShortestWalk'
import { type Stop, useStops } from './useStops'
import { Walk } from './Walk'

function instructionsOf(stops: Stop[]): Record<string, string> {
  return Object.fromEntries(stops.filter((stop) => stop.instruction).map((stop) => [stop.checkId, stop.instruction]))
}

function picturesOf(stops: Stop[]): Record<string, string> {
  return Object.fromEntries(stops.flatMap((stop) => (stop.pictureId ? [[stop.checkId, stop.pictureId]] : [])))
}

function draftOf(saved: RouteView) {
  return {
    name: saved.name,
    checkIds: saved.stops.map((stop) => stop.checkId),
    instructions: instructionsOf(saved.stops),
    pictures: picturesOf(saved.stops),
    everyDays: saved.everyDays,
    firstDue: saved.firstDue,
    assignedTo: saved.assignedTo,
  }
}

/** Left the plant to choose from, right the walk in its order; below, which instrument can take it. */
export function RouteEditor({ saved, onSaved }: { saved: RouteView | undefined; onSaved: (id: string) => void }) {
  const client = useQueryClient()
  const [name, setName] = useState(saved?.name ?? '')
  const planned = useStops(saved)
  const checkIds = planned.stops.map((stop) => stop.checkId)
  const [id] = useState(saved?.id ?? crypto.randomUUID())
  const [terms, setTerms] = useState<Terms>({
    everyDays: saved?.everyDays ?? null,
    firstDue: saved?.firstDue ?? null,
    assignedTo: saved?.assignedTo ?? null,
  })
  const draft = {
    name,
    checkIds,
    instructions: instructionsOf(planned.stops),
    pictures: picturesOf(planned.stops),
    ...terms,
  }
  const isChanged = !saved || JSON.stringify(draft) !== JSON.stringify(draftOf(saved))
  const [ordering, setOrdering] = useState(false)
  const save = useMutation({
    mutationFn: () =>
      data(api.PUT('/api/routes/{id}', { params: { path: { id } }, body: { ...draft, version: saved?.version ?? 0 } })),
    onSuccess: async (route) => {
      await changed(client, 'routes')
      say(t('routes:saved'))
      onSaved(route.id)
    },
  })
  return (
    <>
      <section
        aria-label={t('routes:choose')}
        className="w-[370px] shrink-0 border-r border-rule2 max-lg:h-[38%] max-lg:w-full max-lg:border-b"
      >
        <CheckChooser stops={planned} />
      </section>
      <section aria-label={t('routes:walk')} className="min-w-0 flex-1 overflow-auto px-4 py-3">
        <form
          className="mb-3 flex items-center gap-3"
          onSubmit={(event) => {
            event.preventDefault()
            save.mutate()
          }}
        >
          <input
            aria-label={t('routes:name')}
            placeholder={t('routes:name')}
            className="field min-w-0 flex-1 font-semibold"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <Button
            kind="main"
            type="submit"
            disabled={!isChanged || save.isPending || !name.trim() || checkIds.length === 0}
          >
            {t('routes:save')}
          </Button>
        </form>
        <RouteTerms terms={terms} onChange={setTerms} />
        <Trouble error={save.error} />
        {saved && saved.gone > 0 && <p className="mb-2 text-watch">{t('routes:gone', { n: saved.gone })}</p>}
        {planned.stops.length > 0 && (
          <p className="mb-1 flex gap-4">
            <Button disabled={planned.stops.length < 2} onClick={() => setOrdering(true)}>
              {t('routes:shortest')}
            </Button>
            <Button
              onClick={() => void planned.showPictures().then((count) => say(t('routes:photosSet', { n: count })))}
            >
              {t('routes:photosForAll')}
            </Button>
            <span className="ml-auto text-[12px] text-ink3">{t('routes:keys')}</span>
          </p>
        )}
        {ordering && (
          <ShortestWalk checkIds={checkIds} onOrder={planned.putInOrder} onClose={() => setOrdering(false)} />
        )}
        <Walk stops={planned.stops} onChange={planned.setStops} />
        {saved && (
          <p className="mt-3">
            <RemoveRoute route={saved} />
          </p>
        )}
        {saved && !isChanged ? (
          <RouteFit route={saved} />
        ) : (
          checkIds.length > 0 && <p className="mt-4 text-ink2">{t('routes:unsaved')}</p>
        )}
      </section>
    </>
  )
}
