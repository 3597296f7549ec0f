import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import { Page } from '../parts/Page'
import { words } from '../words/en'
import { AuditTable } from './AuditTable'
import { OwnPassword } from './OwnPassword'
import { People } from './People'

export function SetupView() {
  const me = useQuery(queries.me())
  return (
    <Page say={<span className="font-semibold">{words.setup.say}</span>}>
      <div className="h-full overflow-auto px-4 py-3">
        <OwnPassword />
        {me.data?.role === 'ADMINISTRATOR' ? <People /> : <p className="mb-4 text-ink2">{words.setup.onlyAdministrator}</p>}
        {me.data && me.data.role !== 'VIEWER' && <AuditTable />}
      </div>
    </Page>
  )
}
