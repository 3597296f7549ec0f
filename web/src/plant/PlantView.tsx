import { useQuery } from '@tanstack/react-query'
import { getRouteApi, Link } from '@tanstack/react-router'
import { useMemo, useState } from 'react'
import { queries } from '../api/queries'
import { useMay } from '../app/useMay'
import { Page } from '../parts/Page'
import { Trouble } from '../parts/Trouble'
import { words } from '../words/en'
import { AssetSheet } from './AssetSheet'
import { type Filter, shownBy } from './outline'
import { Outliner } from './Outliner'
import { PlantHistory } from './PlantHistory'
import { PlantKeys } from './PlantKeys'

const route = getRouteApi('/plant')

export function PlantView() {
  const search = route.useSearch()
  const navigate = route.useNavigate()
  const mayEdit = useMay().edit
  const plant = useQuery(queries.plant())
  const overview = useQuery(queries.overview())
  const [filter, setFilter] = useState<Filter>('all')
  const nodes = useMemo(() => plant.data ?? [], [plant.data])
  const standings = useMemo(() => new Map((overview.data ?? []).map((standing) => [standing.nodeId, standing])), [overview.data])
  const shown = useMemo(() => shownBy(filter, nodes, standings), [filter, nodes, standings])
  const checks = nodes.filter((node) => node.level === 'CHECK')
  const count = (verdict: Filter) => checks.filter((check) => standings.get(check.id)?.worst === verdict).length
  const chosenId = search.node ?? nodes[0]?.id
  const say = plant.data?.length === 0 ? words.plant.empty : words.plant.say(count('FAIL'), count('WATCH'))
  return (
    <Page
      say={<span className="font-semibold">{say}</span>}
      actions={
        checks.length > 0 && (
          <Link to="/routes" className="border border-plum bg-plum px-3.5 py-1 font-semibold text-onplum">
            {words.plant.planRoute}
          </Link>
        )
      }
    >
      <div className="flex h-full max-lg:flex-col">
        <section aria-label={words.plant.columns.plant} className="flex w-[520px] shrink-0 flex-col border-r border-rule2 max-lg:h-[44%] max-lg:w-full max-lg:border-r-0 max-lg:border-b">
          <div className="flex h-9 shrink-0 items-center gap-3 border-b border-rule px-3 text-ink2">
            <FilterChoice filter={filter} onChoose={setFilter} count={count} />
            {mayEdit && <PlantHistory />}
            <PlantKeys />
          </div>
          <div className="min-h-0 flex-1 overflow-auto">
            <Trouble error={plant.error ?? overview.error} />
            {plant.data && (
              <Outliner
                nodes={nodes}
                standings={standings}
                shown={shown}
                chosenId={chosenId}
                mayEdit={mayEdit}
                choose={(id) => void navigate({ search: { node: id }, replace: true })}
              />
            )}
          </div>
        </section>
        <section aria-label={words.plant.now} className="min-w-0 flex-1 overflow-auto">
          {chosenId && nodes.some((node) => node.id === chosenId) && (
            <AssetSheet
              nodeId={chosenId}
              checkId={search.check}
              readingId={search.reading}
              mayEdit={mayEdit}
              show={(next) => void navigate({ search: { node: chosenId, ...next }, replace: true })}
            />
          )}
        </section>
      </div>
    </Page>
  )
}

function FilterChoice({ filter, onChoose, count }: { filter: Filter; onChoose: (filter: Filter) => void; count: (filter: Filter) => number }) {
  const choices: [Filter, string][] = [
    ['all', words.plant.all],
    ['FAIL', `${count('FAIL')} ${words.plant.filterFail}`],
    ['WATCH', `${count('WATCH')} ${words.plant.filterWatch}`],
    ['NOT_JUDGED', `${count('NOT_JUDGED')} ${words.plant.filterUnjudged}`],
  ]
  return (
    <div role="group" aria-label={words.plant.filter} className="flex flex-1 gap-3">
      {choices.map(([key, text]) => (
        <button
          key={key}
          type="button"
          aria-pressed={filter === key}
          onClick={() => onChoose(key)}
          className={`cursor-pointer ${filter === key ? 'font-semibold text-plum underline underline-offset-4' : ''}`}
        >
          {text}
        </button>
      ))}
    </div>
  )
}
