import { useInfiniteQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { queries } from '../api/queries'
import { TakeFile } from '../instruments/TakeFile'
import { Button } from '../parts/Button'
import { Page } from '../parts/Page'
import { Trouble } from '../parts/Trouble'
import { dayAndTime } from '../units/format'
import { words } from '../words/en'

export function VisitsView() {
  const visits = useInfiniteQuery(queries.visitPages())
  const list = visits.data?.pages.flat() ?? []
  const { columns } = words.visits
  return (
    <Page
      say={<span className="font-semibold">{visits.data ? words.visits.say(list.length) : words.common.loading}</span>}
      actions={<TakeFile />}
    >
      <div className="h-full overflow-auto px-4 py-3">
        <Trouble error={visits.error} />
        {list.length > 0 && (
          <table className="ledger">
            <thead>
              <tr>
                <th>{columns.when}</th>
                <th>{columns.what}</th>
                <th>{columns.by}</th>
                <th>{columns.instrument}</th>
                <th className="num">{columns.readings}</th>
                <th className="num">{columns.loose}</th>
              </tr>
            </thead>
            <tbody>
              {list.map((visit) => (
                <tr key={visit.id} className="hover:bg-paper2">
                  <td className="whitespace-nowrap">{dayAndTime(visit.beganAt)}</td>
                  <td>
                    <Link
                      to="/visits/$visitId"
                      params={{ visitId: visit.id }}
                      className="font-semibold text-plum hover:underline"
                    >
                      {visit.title}
                    </Link>
                  </td>
                  <td className="text-ink2">{visit.technician}</td>
                  <td className="text-ink2">{visit.instrument}</td>
                  <td className="num">{visit.readings}</td>
                  <td className="num">{visit.loose > 0 ? visit.loose : ''}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {visits.hasNextPage && (
          <p className="mt-2">
            <Button kind="second" disabled={visits.isFetchingNextPage} onClick={() => void visits.fetchNextPage()}>
              {words.visits.earlier}
            </Button>
          </p>
        )}
      </div>
    </Page>
  )
}
