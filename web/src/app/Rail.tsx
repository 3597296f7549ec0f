import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Link, useLocation } from '@tanstack/react-router'
import { api } from '../api/client'
import { queries } from '../api/queries'
import type { Account } from '../api/types'
import { Button } from '../parts/Button'
import { t } from '../words/t'

const rooms = ['today', 'plant', 'routes', 'instruments', 'visits', 'certificates', 'setup'] as const

/** Views without an entry of their own stand where one comes from. */
const within: Partial<Record<(typeof rooms)[number], string[]>> = { instruments: ['/live'], routes: ['/by-hand'] }

const isIn = (room: (typeof rooms)[number], path: string) =>
  path.startsWith(`/${room}`) || (within[room] ?? []).includes(path)

export function Rail({ me }: { me: Account }) {
  const client = useQueryClient()
  const path = useLocation({ select: (location) => location.pathname })
  const today = useQuery({ ...queries.today(), refetchInterval: 60_000 })
  const items = today.data?.items ?? []
  const wants = (kind: string) => items.filter((item) => item.kind === kind).length
  const counts: Partial<Record<(typeof rooms)[number], number>> = {
    today: items.length,
    instruments: wants('CALIBRATION_DUE') + wants('SENSOR_DUE'),
    visits: wants('LOOSE_READINGS'),
    certificates: wants('CERTIFICATE_TO_SIGN'),
  }
  const signOut = async () => {
    await api.DELETE('/api/session')
    client.clear()
    window.location.assign('/')
  }
  return (
    <nav
      aria-label={t('common:roomList')}
      className="flex min-w-[124px] shrink-0 max-lg:min-w-[112px] flex-col border-r border-rule2 bg-paper2"
    >
      <div className="px-3.5 pt-2.5 pb-2 font-mono text-[17px] font-semibold text-plum">{t('common:product')}</div>
      {rooms.map((room) => (
        <Link
          key={room}
          to={`/${room}`}
          className={`flex h-9 items-center justify-between gap-2 whitespace-nowrap border-l-[3px] px-3.5 font-semibold ${isIn(room, path) ? 'border-plum bg-paper text-ink' : 'border-transparent text-ink2 hover:bg-paper'}`}
        >
          {t(`common:rooms.${room}`)}
          {counts[room] ? <span className="text-[12px] text-plum">{counts[room]}</span> : null}
        </Link>
      ))}
      <div className="mt-auto border-t border-rule px-3.5 py-2.5 text-[12px] leading-4">
        <div className="font-semibold">{me.displayName}</div>
        <div className="mb-1 text-ink3">{t(`common:role.${me.role}`)}</div>
        <Button onClick={() => void signOut()}>{t('signIn:out')}</Button>
      </div>
    </nav>
  )
}
