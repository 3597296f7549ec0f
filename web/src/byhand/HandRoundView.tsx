import { useQuery } from '@tanstack/react-query'
import { getRouteApi } from '@tanstack/react-router'
import { queries } from '../api/queries'
import { Page } from '../parts/Page'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { HandRoundSheet } from './HandRoundSheet'

const route = getRouteApi('/by-hand')

/** A round with nothing but eyes and a pencil: each stop with its field, in walking order. */
export function HandRoundView() {
  const search = route.useSearch()
  const navigate = route.useNavigate()
  const round = useQuery(queries.handRound(search))
  if (!round.data) {
    return (
      <Page say={<span className="font-semibold">{t('common:loading')}</span>}>
        <div className="px-4 py-3">
          <Trouble error={round.error} />
        </div>
      </Page>
    )
  }
  const subject = search.route ?? search.check ?? ''
  return (
    <HandRoundSheet
      key={subject}
      subject={subject}
      round={round.data}
      onSaved={(visitId) => void navigate({ to: '/visits/$visitId', params: { visitId } })}
    />
  )
}
