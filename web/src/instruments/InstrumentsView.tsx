import { useQuery } from '@tanstack/react-query'
import { getRouteApi } from '@tanstack/react-router'
import { useState } from 'react'
import { queries } from '../api/queries'
import { Button } from '../parts/Button'
import { Page } from '../parts/Page'
import { Trouble } from '../parts/Trouble'
import { words } from '../words/en'
import { AddInstrument } from './AddInstrument'
import { InstrumentDesk } from './InstrumentDesk'
import { Shelf } from './Shelf'

const route = getRouteApi('/instruments')

export function InstrumentsView() {
  const search = route.useSearch()
  const navigate = route.useNavigate()
  const instruments = useQuery(queries.instruments())
  const [adding, setAdding] = useState(false)
  const list = instruments.data ?? []
  const chosen = list.find((candidate) => candidate.id === search.instrument) ?? list[0]
  const show = (id: string) => void navigate({ search: { instrument: id }, replace: true })
  const add = adding && (
    <AddInstrument
      onClose={() => setAdding(false)}
      onAdded={(id) => {
        setAdding(false)
        show(id)
      }}
    />
  )
  if (!chosen) {
    return (
      <Page
        say={<span className="font-semibold">{instruments.data ? words.instruments.none : words.common.loading}</span>}
        actions={
          <Button kind="main" onClick={() => setAdding(true)}>
            {words.instruments.add}
          </Button>
        }
      >
        <Trouble error={instruments.error} />
        {add}
      </Page>
    )
  }
  return (
    <>
      <InstrumentDesk
        key={chosen.id}
        instrument={chosen}
        toLoad={search.load ? { kind: 'route', id: search.load } : search.setup ? { kind: 'setup', id: search.setup } : undefined}
        shelf={<Shelf list={list} chosenId={chosen.id} onChoose={show} onAdd={() => setAdding(true)} />}
      />
      {add}
    </>
  )
}
