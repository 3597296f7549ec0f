import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useEffect } from 'react'
import { KeyList } from '../actions/KeyList'
import { Problem } from '../api/client'
import { queries } from '../api/queries'
import { tellServer } from '../api/tellServer'
import { NoticeBar } from '../parts/NoticeBar'
import { Trouble } from '../parts/Trouble'
import { SignIn } from '../signin/SignIn'
import { readTimes } from '../units/times'
import { spoken } from '../words/i18n'
import { t } from '../words/t'
import { Rail } from './Rail'

/** Rail and view for whoever is signed in; the sign-in page for everybody else. */
export function Shell({ children }: { children: ReactNode }) {
  const me = useQuery(queries.me())
  const units = useQuery({ ...queries.units(), enabled: me.data !== undefined })
  const times = useQuery({ ...queries.times(), enabled: me.data !== undefined })
  const language = me.data?.language
  useEffect(() => {
    if (language) void spoken(language)
  }, [language])
  if (me.error instanceof Problem && me.error.status === 401) {
    return <SignIn />
  }
  // Before the units are known, nothing is read that would be shown in them.
  if (me.data && units.data && times.data) {
    // Before a room asks for anything: its first answers are worded with it.
    tellServer('days', me.data.dateFormat)
    readTimes({ homeZone: times.data.homeZone, ownZone: me.data.timeZone, dateFormat: me.data.dateFormat })
    return (
      <div key={`${me.data.timeZone} ${me.data.dateFormat}`} className="flex h-screen">
        <Rail me={me.data} />
        {children}
        <NoticeBar />
        <KeyList />
      </div>
    )
  }
  return (
    <div className="p-6">
      {(me.error ?? units.error ?? times.error) ? (
        <Trouble error={me.error ?? units.error ?? times.error} />
      ) : (
        t('common:loading')
      )}
    </div>
  )
}
