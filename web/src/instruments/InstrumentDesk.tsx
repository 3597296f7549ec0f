import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import type { ReactNode } from 'react'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { GateItem, InstrumentView, JobView } from '../api/types'
import { changed } from '../api/subjects'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { Page } from '../parts/Page'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { span } from '../units/format'
import { nameOf, numberOf } from './instrumentName'
import { t } from '../words/t'
import { CalibrationRecord } from './CalibrationRecord'
import { ConnectionActs } from './ConnectionActs'
import { FirmwareFact } from './FirmwareFact'
import { InstrumentFacts } from './InstrumentFacts'
import { JobPanel } from '../parts/JobPanel'
import { type Loadable, LoadDialog } from './LoadDialog'
import { MemoryBar } from './MemoryBar'
import { MemoryList } from './MemoryList'
import { Originals } from './Originals'
import { RunButton } from './RunButton'
import { useJob } from '../parts/useJob'
import { usePresence } from './usePresence'
import { useSetClock } from './useSetClock'

interface Props {
  instrument: InstrumentView
  toLoad: Loadable | undefined
  shelf: ReactNode
}

const isFresh = (state: string) => state === 'NEW' || state === 'PART'

/** One instrument: who it is, what fills its memory, and loading, reading back and clearing. */
export function InstrumentDesk({ instrument, toLoad, shelf }: Props) {
  const client = useQueryClient()
  const connection = useQuery(queries.connection(instrument.id))
  const presence = usePresence()
  const may = useMay()
  const running = useQuery(queries.runningJob(instrument.id))
  const [started, setStarted] = useState<JobView | null>(null)
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  const [correctClock, setCorrectClock] = useState(true)
  const [loading, setLoading] = useState(toLoad !== undefined)
  const job = useJob(started ?? (running.data?.job as JobView | null | undefined) ?? null, () => {
    setChosen(new Set())
    void changed(client, 'loaded', 'readings', 'connections')
  })
  const path = { params: { path: { id: instrument.id } } }
  const readBack = useMutation({
    mutationFn: (files: string[]) =>
      data(api.POST('/api/instruments/{id}/read-back', { ...path, body: { files, correctClock } })),
    onSuccess: setStarted,
  })
  const load = useMutation({
    mutationFn: ({ what, accepted }: { what: Loadable; accepted: GateItem['kind'][] }) =>
      what.kind === 'route'
        ? data(api.POST('/api/instruments/{id}/load', { ...path, body: { routeId: what.id, accepted } }))
        : data(api.POST('/api/instruments/{id}/load-setup', { ...path, body: { setupId: what.id, accepted } })),
    onSuccess: (next) => {
      setStarted(next)
      setLoading(false)
    },
  })
  const setClock = useSetClock(instrument.id, {
    onJob: setStarted,
    onSet: () => say(t('instruments:clockSet')),
    onSettled: () => changed(client, 'memory'),
  })
  const files = connection.data?.files ?? []
  const fresh = files.filter((file) => isFresh(file.state)).map((file) => file.name)
  const stored = files.filter((file) => file.state === 'STORED').map((file) => file.name)
  const clear = useMutation({
    mutationFn: () => data(api.POST('/api/instruments/{id}/clear', { ...path, body: { files: stored } })),
    onSuccess: (cleared) =>
      say(
        [
          t('instruments:cleared', { n: cleared.files }),
          ...cleared.stays.map((one) =>
            t('instruments:stays', { name: one.name.replace(/^.*\//, '').replace(/\.zip$/, ''), why: one.why }),
          ),
        ].join(' '),
      ),
    onSettled: () => void changed(client, 'memory'),
  })
  const busy = job?.state === 'RUNNING' || readBack.isPending || load.isPending
  const take = () => readBack.mutate(chosen.size > 0 ? [...chosen] : fresh)
  const clock = connection.data?.clockAheadSeconds ?? 0
  const line = presence.of(instrument.id)
  // A link that broke is told once: by the job it broke, not again by every look that finds nobody.
  const broken = job?.kind === 'read back' && (job.state === 'FAILED' || job.state === 'STOPPED') ? job.state : null
  return (
    <Page
      say={
        <span className={broken || connection.data ? 'font-semibold' : ''}>
          {broken
            ? broken === 'FAILED'
              ? t('instruments:interrupted')
              : t('instruments:stopped')
            : connection.error
              ? t('instruments:notReached', { name: nameOf(instrument) })
              : connection.data
                ? t('instruments:say', { fresh: fresh.length, name: instrument.model })
                : t('instruments:looking')}
        </span>
      }
      actions={
        <>
          <Button
            kind={fresh.length === 0 && chosen.size === 0 ? 'main' : 'second'}
            disabled={busy || !connection.data}
            onClick={() => setLoading(true)}
          >
            {t('instruments:load')}
          </Button>
          <Button
            kind={fresh.length === 0 && chosen.size === 0 ? 'second' : 'main'}
            disabled={busy || (fresh.length === 0 && chosen.size === 0)}
            onClick={take}
          >
            {chosen.size > 0 ? t('instruments:readBackChosen', { n: chosen.size }) : t('instruments:readBack')}
          </Button>
        </>
      }
    >
      <div className="flex h-full max-lg:flex-col">
        {shelf}
        <div className="min-w-0 flex-1 overflow-auto px-4 py-3">
          <header className="mb-3 flex items-center gap-4">
            <Tag text={instrument.model} large />
            <div>
              <h2 className="text-[19px] leading-6 font-semibold">{line?.name ?? instrument.maker}</h2>
              <div className="text-ink2">
                {numberOf(instrument)},{' '}
                {line
                  ? `${t(`instruments:connection.kinds.${line.reach.kind}`)}: ${line.said}`
                  : t('instruments:fromFile')}{' '}
                {line && may.edit && <ConnectionActs line={line} />}
              </div>
            </div>
          </header>
          <Trouble
            error={(broken ? null : connection.error) ?? readBack.error ?? load.error ?? setClock.error ?? clear.error}
          />
          {connection.error && !broken && (
            <Button onClick={() => void connection.refetch()}>{t('instruments:look')}</Button>
          )}
          {connection.data && (
            <>
              <InstrumentFacts
                connection={connection.data}
                onSetClock={() => setClock.mutate()}
                firmware={
                  <FirmwareFact
                    instrument={instrument}
                    busy={busy || !may.edit}
                    onDrive={line?.reach.kind === 'FOLDER'}
                    onJob={setStarted}
                  />
                }
              />
              <MemoryBar connection={connection.data} />
              <MemoryList instrumentId={instrument.id} files={files} chosen={chosen} onChoose={setChosen} />
              {connection.data.clockIsWrong && fresh.length > 0 && (
                <label className="mt-2 flex items-center gap-2">
                  <input
                    type="checkbox"
                    className="h-4 w-4 accent-plum"
                    checked={correctClock}
                    onChange={(event) => setCorrectClock(event.target.checked)}
                  />
                  {t('instruments:correctClock', { span: span(clock), ahead: clock > 0 })}
                </label>
              )}
            </>
          )}
          {job && <JobPanel job={job} onTryAgain={take} />}
          {job?.state === 'DONE' && job.kind === 'read back' && (
            <Link to="/visits" className="mt-2 inline-block font-semibold text-plum hover:underline">
              {t('instruments:openVisit')}
            </Link>
          )}
          <div className="mt-3 flex gap-5">
            {instrument.options.includes('live') && (
              <Link
                to="/live"
                search={{ instrument: instrument.id }}
                className="font-semibold text-plum hover:underline"
              >
                {t('live:open')}
              </Link>
            )}
            {may.edit && <RunButton instrumentId={instrument.id} isRunning={connection.data?.isRunning ?? null} />}
            <Button disabled={connection.isFetching} onClick={() => void connection.refetch()}>
              {t('instruments:look')}
            </Button>
            <Button
              disabled={busy || stored.length === 0}
              title={stored.length === 0 ? t('instruments:nothingStored') : undefined}
              onClick={() => clear.mutate()}
            >
              {t('instruments:clear')}
            </Button>
          </div>
          <CalibrationRecord instrument={instrument} mayEdit={may.edit} />
          <Originals instrumentId={instrument.id} onJob={setStarted} />
          {loading && (
            <LoadDialog
              instrument={instrument}
              first={toLoad}
              onClose={() => setLoading(false)}
              onLoad={(what, accepted) => load.mutate({ what, accepted })}
            />
          )}
        </div>
      </div>
    </Page>
  )
}
