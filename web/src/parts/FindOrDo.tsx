import { useQuery } from '@tanstack/react-query'
import { useNavigate } from '@tanstack/react-router'
import { useEffect, useState } from 'react'
import { useShownActions } from '../actions/actions'
import { queries } from '../api/queries'
import { numberOf } from '../instruments/instrumentName'
import { t } from '../words/t'
import { Dialog } from './Dialog'
import { Tag } from './Tag'

interface Target {
  key: string
  tag: string
  text: string
  hint: string
  go: () => void
}

const MOST = 12

function useTargets(enabled: boolean, text: string): Target[] {
  const navigate = useNavigate()
  const plant = useQuery({
    ...queries.find(text),
    enabled: enabled && text.trim() !== '',
    placeholderData: (previous) => previous,
  })
  const routes = useQuery({ ...queries.routes(), enabled })
  const instruments = useQuery({ ...queries.instruments(), enabled })
  const live = useQuery({ ...queries.liveSources(), enabled })
  const certificates = useQuery({ ...queries.certificates(''), enabled })
  const commands: Target[] = useShownActions()
    .filter((action) => action.may && action.isCommand)
    .map((action) => ({
      key: action.id,
      tag: '',
      text: t(action.does),
      hint: t(action.keys),
      go: () => action.run(),
    }))
  const rooms = ['today', 'plant', 'routes', 'instruments', 'visits', 'certificates', 'setup'] as const
  const others: Target[] = [
    ...rooms.map((room) => ({
      key: room,
      tag: '',
      text: t(`common:rooms.${room}`),
      hint: '',
      go: () => void navigate({ to: `/${room}` }),
    })),
    ...(text.trim() ? commands : []),
    ...(routes.data ?? []).map((route) => ({
      key: route.id,
      tag: '',
      text: route.name,
      hint: t('common:rooms.routes'),
      go: () => void navigate({ to: '/routes', search: { route: route.id } }),
    })),
    ...(instruments.data ?? []).map((instrument) => ({
      key: instrument.id,
      tag: instrument.model,
      text: numberOf(instrument),
      hint: t('common:rooms.instruments'),
      go: () => void navigate({ to: '/instruments', search: { instrument: instrument.id } }),
    })),
    ...(live.data ?? []).map(({ target, name }) => ({
      key: `live ${target.id}`,
      tag: '',
      text: name,
      hint: t('live:open'),
      go: () =>
        void navigate({
          to: '/live',
          search: target.kind === 'SETUP' ? { setup: target.id } : { instrument: target.id },
        }),
    })),
    ...(routes.data ?? [])
      .filter((route) => route.stops.some((stop) => stop.isByHand))
      .map((route) => ({
        key: `by hand ${route.id}`,
        tag: '',
        text: route.name,
        hint: t('byHand:start'),
        go: () => void navigate({ to: '/by-hand', search: { route: route.id } }),
      })),
    ...(certificates.data ?? []).map((line) => ({
      key: line.id,
      tag: '',
      text: `${line.number ?? ''} ${line.title}`.trim(),
      hint: t('common:rooms.certificates'),
      go: () => void navigate({ to: '/certificates', search: { certificate: line.id } }),
    })),
  ]
  const wanted = text.trim().toLowerCase()
  const nodes = (wanted ? (plant.data ?? []) : []).map((node) => ({
    key: node.id,
    tag: node.tag,
    text: node.name,
    hint: node.place || t(`common:level.${node.level}`),
    go: () => void navigate({ to: '/plant', search: { node: node.id } }),
  }))
  return [
    ...others
      .filter((target) => `${target.tag} ${target.text}`.toLowerCase().includes(wanted))
      .slice(0, wanted ? 4 : MOST),
    ...nodes,
  ].slice(0, MOST)
}

/** Jumps to any node, route, instrument, live source, certificate or room, and does what can be done in the view. */
export function FindOrDo() {
  const [open, setOpen] = useState(false)
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault()
        setOpen(true)
      }
    }
    window.addEventListener('keydown', listen)
    return () => window.removeEventListener('keydown', listen)
  }, [])
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="field flex w-[190px] max-lg:w-[130px] cursor-pointer items-center justify-between text-ink3"
      >
        <span className="truncate">{t('common:find.label')}</span>
        <kbd className="max-lg:hidden ml-2 shrink-0 whitespace-nowrap border border-rule bg-paper px-1 font-mono text-[11px] text-ink2">
          {t('common:keys.find.keys')}
        </kbd>
      </button>
      {open && <FindDialog onClose={() => setOpen(false)} />}
    </>
  )
}

function FindDialog({ onClose }: { onClose: () => void }) {
  const [text, setText] = useState('')
  const [at, setAt] = useState(0)
  const found = useTargets(true, text)
  const chosen = found[Math.min(at, found.length - 1)]
  const take = (target: Target | undefined) => {
    if (target) {
      onClose()
      target.go()
    }
  }
  return (
    <Dialog title={t('common:find.label')} open onClose={onClose}>
      <input
        aria-label={t('common:find.label')}
        className="field w-full"
        placeholder={t('common:find.placeholder')}
        autoFocus
        value={text}
        onChange={(event) => {
          setText(event.target.value)
          setAt(0)
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt(Math.min(at + 1, found.length - 1))
          else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0))
          else if (event.key === 'Enter') take(chosen)
          else return
          event.preventDefault()
        }}
      />
      <ul className="mt-2">
        {found.map((target) => (
          <li key={target.key}>
            <button
              type="button"
              onClick={() => take(target)}
              className={`flex w-full cursor-pointer items-center gap-2 px-2 py-1 text-left ${target === chosen ? 'bg-wash' : 'hover:bg-paper2'}`}
            >
              <Tag text={target.tag} />
              <span className="min-w-0 flex-1 truncate">{target.text}</span>
              <span className="max-w-[45%] truncate text-ink3">{target.hint}</span>
            </button>
          </li>
        ))}
      </ul>
      {found.length === 0 && <p className="text-ink3">{t('common:find.nothing')}</p>}
    </Dialog>
  )
}
