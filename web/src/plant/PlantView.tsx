import { getRouteApi, Link } from '@tanstack/react-router'
import { useCallback, useMemo, useState } from 'react'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { Page } from '../parts/Page'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { AssetSheet } from './AssetSheet'
import { BulkDialog, type Many } from './BulkDialog'
import { ClashDialog } from './ClashDialog'
import { FilterBar } from './FilterBar'
import { ImportDialog } from './ImportDialog'
import type { ImportSource } from './importing'
import { filterOf, type Looking, type Narrowing, shows } from './looking'
import type { Row } from './outline'
import { Outliner } from './Outliner'
import { PlantFiles } from './PlantFiles'
import { PlantHistory } from './PlantHistory'
import { PlantKeys } from './PlantKeys'
import { TemplateDialog } from './TemplateDialog'
import { isFiltering, useOutline } from './useOutline'

/** Pasted rows come into the chosen row; a check holds nothing, so there they come beside it. */
function pasteParent(row: Row): string | null {
  return row.node.level === 'CHECK' ? row.node.parentId : row.node.id
}

const route = getRouteApi('/plant')

type Search = Partial<Record<Narrowing | 'find' | 'show', string>>

/** What is looked for stands in the address, so that it can be sent to somebody. */
function useLooking(search: Search): Looking {
  const { find, show, within, technique, assetClass, criticality } = search
  return useMemo(
    () => ({
      text: find ?? '',
      show: shows.find((one) => one === show) ?? 'all',
      within,
      technique,
      assetClass,
      criticality,
    }),
    [find, show, within, technique, assetClass, criticality],
  )
}

export function PlantView() {
  const search = route.useSearch()
  const navigate = route.useNavigate()
  const mayEdit = useMay().edit
  const looking = useLooking(search)
  const filter = useMemo(() => filterOf(looking), [looking])
  const outline = useOutline(filter, search.node)
  const { plant, rows } = outline
  const chosenId = search.node ?? rows[0]?.node.id
  const chosen = rows.find((row) => row.node.id === chosenId)
  const [importing, setImporting] = useState<ImportSource | null>(null)
  const [stamping, setStamping] = useState(false)
  const [selected, setSelected] = useState<string[]>([])
  const [changing, setChanging] = useState<Many | null>(null)
  const isFiltered = isFiltering(filter) && outline.isFresh && plant !== undefined
  const many: Many | null =
    selected.length > 1
      ? { count: selected.length, ids: selected, filter: null }
      : isFiltered
        ? { count: plant.hits, ids: null, filter }
        : null
  const whole = plant?.whole
  const checkCount = whole ? whole.pass + whole.watch + whole.fail + whole.notJudged : 0
  const say =
    plant?.nodes === 0 ? t('plant:empty') : t('plant:say', { fails: whole?.fail ?? 0, watches: whole?.watch ?? 0 })
  const goTo = (id: string | undefined) => {
    if (id) void navigate({ search: { node: id }, replace: true })
  }
  const narrow = useCallback(
    ({ text, show, ...narrowed }: Looking) =>
      void navigate({
        search: (before) => ({
          node: before.node,
          check: before.check,
          find: text.trim() || undefined,
          show: show === 'all' ? undefined : show,
          ...narrowed,
        }),
        replace: true,
      }),
    [navigate],
  )
  return (
    <Page
      say={<span className="font-semibold">{plant ? say : t('common:loading')}</span>}
      actions={
        checkCount > 0 && (
          <Link to="/routes" className="border border-plum bg-plum px-3.5 py-1 font-semibold text-onplum">
            {t('plant:planRoute')}
          </Link>
        )
      }
    >
      <div className="flex h-full max-lg:flex-col">
        <section
          aria-label={t('plant:columns.plant')}
          className="flex w-[520px] shrink-0 flex-col border-r border-rule2 max-lg:h-[44%] max-lg:w-full max-lg:border-r-0 max-lg:border-b"
        >
          <FilterBar looking={looking} whole={whole} onChange={narrow} />
          <div className="min-h-0 flex-1">
            <Trouble error={outline.error} />
            {plant && (
              <Outliner
                outline={outline}
                chosenId={chosenId}
                mayEdit={mayEdit}
                pasteRows={(text, row) => setImporting({ kind: 'text', text, parentId: pasteParent(row) })}
                beginStamping={() => setStamping(true)}
                onSelect={setSelected}
                choose={(id) =>
                  void navigate({
                    search: (before) => ({ ...before, check: undefined, reading: undefined, node: id }),
                    replace: true,
                  })
                }
              />
            )}
          </div>
          <div className="flex h-8 shrink-0 items-center gap-4 border-t border-rule px-3 text-ink2">
            {mayEdit && <Button onClick={() => setStamping(true)}>{t('plant:templates.open')}</Button>}
            <PlantFiles chosen={chosen?.node} mayEdit={mayEdit} onImport={setImporting} />
            {mayEdit && <PlantHistory label={t('plant:history')} title={t('plant:historyTitle')} />}
            <span className="flex-1 whitespace-nowrap" data-matches={isFiltered ? plant.hits : undefined}>
              {isFiltered && t('plant:found', { n: plant.hits })}{' '}
              {mayEdit && many && many.count > 0 && (
                <Button onClick={() => setChanging(many)}>{t('plant:bulk.open', { n: many.count })}</Button>
              )}
            </span>
            <PlantKeys />
          </div>
        </section>
        <section aria-label={t('plant:now')} data-now className="relative min-w-0 flex-1 overflow-auto">
          {chosenId && rows.length > 0 && (
            <AssetSheet
              nodeId={chosenId}
              checkId={search.check}
              readingId={search.reading}
              mayEdit={mayEdit}
              show={(next) =>
                void navigate({
                  search: (before) => ({ ...before, check: undefined, reading: undefined, node: chosenId, ...next }),
                  replace: true,
                })
              }
            />
          )}
        </section>
      </div>
      <ClashDialog />
      {changing && <BulkDialog many={changing} onClose={() => setChanging(null)} />}
      {importing && (
        <ImportDialog
          source={importing}
          onClose={() => setImporting(null)}
          onTaken={(first) => {
            setImporting(null)
            goTo(first)
          }}
        />
      )}
      {stamping && (
        <TemplateDialog
          row={chosen}
          onClose={() => setStamping(false)}
          onStamped={(first) => {
            setStamping(false)
            goTo(first)
          }}
        />
      )}
    </Page>
  )
}
