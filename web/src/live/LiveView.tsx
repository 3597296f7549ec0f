import { useQuery } from '@tanstack/react-query'
import { getRouteApi } from '@tanstack/react-router'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { LiveKind } from '../api/types'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { Page } from '../parts/Page'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { ChannelCard } from './ChannelCard'
import { LargeGo } from './LargeGo'
import { LivePlots } from './LivePlots'
import { RecordBar } from './RecordBar'
import { type Live, useLive } from './useLive'

const route = getRouteApi('/live')

/** What an instrument or a transmitter shows now, running. */
export function LiveView() {
  const search = route.useSearch()
  const navigate = route.useNavigate()
  const sources = useQuery(queries.liveSources())
  const list = sources.data ?? []
  const wanted = search.instrument ?? search.setup
  const chosen = list.find((one) => one.target.id === wanted) ?? list[0]
  if (!chosen) {
    return (
      <Page say={<span className="font-semibold">{sources.data ? t('live:none') : t('common:loading')}</span>}>
        <Trouble error={sources.error} />
      </Page>
    )
  }
  const show = (id: string) => {
    const target = list.find((one) => one.target.id === id)?.target
    void navigate({ search: target?.kind === 'SETUP' ? { setup: id } : { instrument: id }, replace: true })
  }
  const choice = (
    <select
      aria-label={t('live:source')}
      className="field"
      value={chosen.target.id}
      onChange={(event) => show(event.target.value)}
    >
      {list.map((one) => (
        <option key={one.target.id} value={one.target.id}>
          {one.name}
        </option>
      ))}
    </select>
  )
  return (
    <Watched
      key={chosen.target.id}
      kind={chosen.target.kind}
      id={chosen.target.id}
      title={chosen.name}
      choice={choice}
    />
  )
}

const said = ({ update }: Live, title: string): string => {
  if (!update || (!update.isConnected && !update.sentence)) return t('live:connecting', { title })
  return update.isConnected
    ? t('live:connected', { title, n: update.channels.length })
    : t('live:lost', { title, why: update.sentence })
}

function Watched({ kind, id, title, choice }: { kind: LiveKind; id: string; title: string; choice: React.ReactNode }) {
  const live = useLive(kind, id)
  const mayEdit = useMay().edit
  const [hidden, setHidden] = useState<ReadonlySet<string>>(new Set())
  const [isLarge, setLarge] = useState(false)
  const [seconds, setSeconds] = useState<60 | 300 | 600>(60)
  const channels = live.update?.channels ?? []
  const newest = live.update?.isConnected ? live.samples.at(-1) : undefined
  const shown = channels.map((channel, at) => ({ channel, at })).filter(({ channel }) => !hidden.has(channel.name))
  const toggle = (name: string) =>
    setHidden(new Set(hidden.has(name) ? [...hidden].filter((one) => one !== name) : [...hidden, name]))
  if (isLarge)
    return (
      <LargeGo
        title={title}
        shown={shown}
        newest={newest}
        sentence={live.update?.isConnected ? '' : said(live, title)}
        onClose={() => setLarge(false)}
      />
    )
  return (
    <Page
      say={<span className="font-semibold">{said(live, title)}</span>}
      actions={
        <>
          {choice}
          <Button kind="second" title={t('live:largeSay')} onClick={() => setLarge(true)}>
            {t('live:large')}
          </Button>
        </>
      }
    >
      <div className="flex h-full flex-col">
        {mayEdit && live.update && <RecordBar kind={kind} id={id} update={live.update} />}
        <div className="flex min-h-0 flex-1 max-lg:flex-col">
          <ul className="w-[330px] shrink-0 overflow-auto border-r border-rule2 max-lg:max-h-64 max-lg:w-full">
            {channels.map((channel, at) => (
              <ChannelCard
                key={channel.name}
                kind={kind}
                id={id}
                channel={channel}
                value={newest?.values[at] ?? null}
                go={newest?.go[at] ?? 'NOT_JUDGED'}
                isShown={!hidden.has(channel.name)}
                mayEdit={mayEdit}
                onToggle={() => toggle(channel.name)}
              />
            ))}
          </ul>
          <section className="min-w-0 flex-1 overflow-auto px-4 py-2">
            <label className="flex items-center justify-end gap-2 text-ink2">
              {t('live:span')}
              <select
                className="field"
                value={seconds}
                onChange={(event) => setSeconds(Number(event.target.value) as 60 | 300 | 600)}
              >
                {([60, 300, 600] as const).map((value) => (
                  <option key={value} value={value}>
                    {t(`live:spans.${value}`)}
                  </option>
                ))}
              </select>
            </label>
            <LivePlots
              shown={shown}
              samples={live.samples}
              seconds={seconds}
              marks={live.update?.recording?.marks ?? []}
            />
          </section>
        </div>
      </div>
    </Page>
  )
}
