import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useNavigate } from '@tanstack/react-router'
import { useEffect, useMemo, useState } from 'react'
import { type Action, isTyping, runByKey, useLatestActions } from '../actions/actions'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { LiveKind, LiveUpdate } from '../api/types'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { CheckSelect } from '../plant/CheckSelect'
import { typedNumber } from '../units/format'
import { t } from '../words/t'
const MILLIS = 1_000

interface Props {
  kind: LiveKind
  id: string
  update: LiveUpdate
}

/** Recording with a name and an interval; while it goes on, markers. */
export function RecordBar({ kind, id, update }: Props) {
  return (
    <div className="flex min-h-12 shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule2 bg-paper2 px-4 py-1.5">
      {update.recording ? (
        <Running kind={kind} id={id} recording={update.recording} />
      ) : (
        <Start kind={kind} id={id} isConnected={update.isConnected} />
      )}
    </div>
  )
}

function Start({ kind, id, isConnected }: { kind: LiveKind; id: string; isConnected: boolean }) {
  const [name, setName] = useState('')
  const [every, setEvery] = useState('1')
  const [checkId, setCheckId] = useState<string | null>(null)
  const [recordingId, setRecordingId] = useState(() => crypto.randomUUID())
  const seconds = typedNumber(every)
  const start = useMutation({
    mutationFn: () =>
      data(
        api.POST('/api/live/{kind}/{id}/recording', {
          params: { path: { kind, id } },
          body: { id: recordingId, name, intervalMillis: Math.round((seconds ?? 0) * MILLIS), checkId },
        }),
      ),
    onSuccess: () => setRecordingId(crypto.randomUUID()),
  })
  return (
    <form
      className="flex flex-wrap items-center gap-x-4 gap-y-1"
      onSubmit={(event) => {
        event.preventDefault()
        start.mutate()
      }}
    >
      <input
        aria-label={t('live:recording.name')}
        placeholder={t('live:recording.name')}
        maxLength={80}
        className="field w-56"
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <label className="flex items-center gap-2 text-ink2">
        {t('live:recording.every')}
        <input
          aria-label={t('live:recording.every')}
          inputMode="decimal"
          className="field w-16 text-right"
          value={every}
          onChange={(event) => setEvery(event.target.value)}
        />
        {t('live:recording.seconds')}
      </label>
      <label className="flex items-center gap-2 text-ink2">
        {t('live:recording.check')}
        <CheckSelect
          technique="run"
          label={t('live:recording.check')}
          none={t('live:recording.loose')}
          chosen={checkId}
          onChoose={setCheckId}
        />
      </label>
      <Button kind="main" type="submit" disabled={!name.trim() || seconds === null || !isConnected || start.isPending}>
        {t('live:recording.start')}
      </Button>
      <Trouble error={start.error} />
    </form>
  )
}

function Running({
  kind,
  id,
  recording,
}: {
  kind: LiveKind
  id: string
  recording: NonNullable<LiveUpdate['recording']>
}) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const [what, setWhat] = useState('')
  const path = { params: { path: { kind, id } } }
  const mark = useMutation({
    mutationFn: (words: string) => data(api.POST('/api/live/{kind}/{id}/marks', { ...path, body: { text: words } })),
    // What is being typed stays when a key marked a moment meanwhile.
    onSuccess: (_, words) => setWhat((typed) => (typed === words ? '' : typed)),
  })
  const end = useMutation({
    mutationFn: () => data(api.POST('/api/live/{kind}/{id}/recording/end', path)),
    onSuccess: async (taken) => {
      await changed(client, 'readings')
      say(t('live:recording.ended'))
      if (taken.visitId) void navigate({ to: '/visits/$visitId', params: { visitId: taken.visitId } })
    },
  })
  const { mutate } = mark
  const actions = useMemo(
    (): Action[] => [
      {
        id: 'live.mark',
        does: 'live:liveKeys.mark.does',
        keys: 'live:liveKeys.mark.keys',
        chords: ['m', 'M'],
        may: true,
        isCommand: true,
        run: () => mutate(''),
      },
    ],
    [mutate],
  )
  useLatestActions(actions)
  useEffect(() => {
    const byKey = (event: KeyboardEvent) => {
      if (!isTyping(event.target)) runByKey(actions, event)
    }
    window.addEventListener('keydown', byKey)
    return () => window.removeEventListener('keydown', byKey)
  }, [actions])
  return (
    <form
      className="flex flex-wrap items-center gap-x-4 gap-y-1"
      onSubmit={(event) => {
        event.preventDefault()
        mark.mutate(what)
      }}
    >
      <span className="flex items-center gap-2 font-semibold">
        <span aria-hidden="true" className="inline-block h-2.5 w-2.5 animate-pulse bg-plum" />
        {t('live:recording.running', {
          name: recording.name,
          rows: recording.rows,
          every: recording.intervalMillis / MILLIS,
        })}
      </span>
      <input
        aria-label={t('live:recording.markText')}
        placeholder={t('live:recording.markText')}
        maxLength={80}
        className="field w-48"
        value={what}
        onChange={(event) => setWhat(event.target.value)}
      />
      <Button kind="second" type="submit" title="M">
        {t('live:recording.mark')}
      </Button>
      {recording.marks.length > 0 && (
        <span className="text-ink2">{t('live:recording.marked', { n: recording.marks.length })}</span>
      )}
      <Button kind="main" disabled={end.isPending} onClick={() => end.mutate()}>
        {t('live:recording.end')}
      </Button>
      <Trouble error={mark.error ?? end.error} />
    </form>
  )
}
