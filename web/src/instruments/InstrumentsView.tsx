import { useQuery } from '@tanstack/react-query'
import { getRouteApi } from '@tanstack/react-router'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { CandidateLine } from '../api/types'
import { Button } from '../parts/Button'
import { Page } from '../parts/Page'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { ConnectDialog } from './ConnectDialog'
import { InstrumentDesk } from './InstrumentDesk'
import { Shelf } from './Shelf'

const route = getRouteApi('/instruments')

export function InstrumentsView() {
  const search = route.useSearch()
  const navigate = route.useNavigate()
  const instruments = useQuery(queries.instruments())
  const [adding, setAdding] = useState<CandidateLine | 'typed' | null>(null)
  const list = instruments.data ?? []
  const chosen = list.find((candidate) => candidate.id === search.instrument) ?? list[0]
  const show = (id: string) => void navigate({ search: { instrument: id }, replace: true })
  const add = adding !== null && (
    <ConnectDialog
      candidate={adding === 'typed' ? null : adding}
      onClose={() => setAdding(null)}
      onAdded={(id) => {
        setAdding(null)
        show(id)
      }}
    />
  )
  if (!chosen) {
    return (
      <Page
        say={<span className="font-semibold">{instruments.data ? t('instruments:none') : t('common:loading')}</span>}
        actions={
          <Button kind="main" onClick={() => setAdding('typed')}>
            {t('instruments:add')}
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
        toLoad={
          search.load
            ? { kind: 'route', id: search.load }
            : search.setup
              ? { kind: 'setup', id: search.setup }
              : undefined
        }
        shelf={
          <Shelf
            list={list}
            chosenId={chosen.id}
            onChoose={show}
            onAdd={() => setAdding('typed')}
            onCandidate={setAdding}
          />
        }
      />
      {add}
    </>
  )
}
