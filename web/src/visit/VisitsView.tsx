import { useInfiniteQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { queries } from '../api/queries'
import { TakeFile } from '../instruments/TakeFile'
import { Button } from '../parts/Button'
import { Page } from '../parts/Page'
import { Trouble } from '../parts/Trouble'
import { dayAndTime } from '../units/format'
import { t } from '../words/t'

export function VisitsView() {
  const visits = useInfiniteQuery(queries.visitPages())
  const list = visits.data?.pages.flat() ?? []
  return (
    <Page
      say={
        <span className="font-semibold">{visits.data ? t('visits:say', { n: list.length }) : t('common:loading')}</span>
      }
      actions={<TakeFile />}
    >
      <div className="h-full overflow-auto px-4 py-3">
        <Trouble error={visits.error} />
        {list.length > 0 && (
          <table className="ledger">
            <thead>
              <tr>
                <th>{t('visits:columns.when')}</th>
                <th>{t('visits:columns.what')}</th>
                <th>{t('visits:columns.by')}</th>
                <th>{t('visits:columns.instrument')}</th>
                <th className="num">{t('visits:columns.readings')}</th>
                <th className="num">{t('visits:columns.loose')}</th>
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
              {t('visits:earlier')}
            </Button>
          </p>
        )}
      </div>
    </Page>
  )
}
