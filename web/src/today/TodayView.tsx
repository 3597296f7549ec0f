import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { queries } from '../api/queries'
import type { TodayItem, Verdict } from '../api/types'
import { Page } from '../parts/Page'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { VerdictShape } from '../parts/VerdictMark'
import { t } from '../words/t'
import { FirstRoundSteps } from './FirstRoundSteps'
import { NextWeeks } from './NextWeeks'

const shapes: Partial<Record<TodayItem['kind'], Verdict>> = {
  FAIL: 'FAIL',
  WATCH: 'WATCH',
  WITHOUT_LIMIT: 'NOT_JUDGED',
}

function sentence(item: TodayItem): string {
  return t(`today:${item.kind}`, { n: item.count })
}

function Act({ item }: { item: TodayItem }) {
  const look = 'font-semibold text-plum hover:underline'
  const text = t(`today:act.${item.kind}`)
  switch (item.kind) {
    case 'LOOSE_READINGS':
      return (
        <Link className={look} to="/visits/$visitId" params={{ visitId: item.subjectId }}>
          {text}
        </Link>
      )
    case 'CERTIFICATE_TO_SIGN':
      return (
        <Link className={look} to="/certificates" search={{ certificate: item.subjectId }}>
          {text}
        </Link>
      )
    case 'ROUTE_DUE':
    case 'ROUTE_OVERDUE':
      return (
        <Link className={look} to="/routes" search={{ route: item.subjectId }}>
          {text}
        </Link>
      )
    case 'CALIBRATION_DUE':
      return (
        <Link className={look} to="/instruments" search={{ instrument: item.subjectId }}>
          {text}
        </Link>
      )
    case 'SENSOR_DUE':
      return (
        <Link className={look} to="/instruments">
          {text}
        </Link>
      )
    default:
      return (
        <Link className={look} to="/plant" search={{ node: item.subjectId }}>
          {text}
        </Link>
      )
  }
}

export function TodayView() {
  const today = useQuery(queries.today())
  const items = today.data?.items ?? []
  const first = today.data?.firstRound
  const firstRoundOpen = first !== undefined && !Object.values(first).every(Boolean)
  const say = !today.data
    ? t('common:loading')
    : firstRoundOpen && items.length === 0
      ? t('today:firstSay')
      : items.length === 0
        ? t('today:nothing')
        : t('today:wants', { n: items.length })
  return (
    <Page say={<span className="font-semibold">{say}</span>}>
      <div className="h-full overflow-auto px-4 py-3">
        <Trouble error={today.error} />
        {items.length > 0 && (
          <table className="ledger max-w-[1040px]">
            <tbody>
              {items.map((item) => (
                <tr key={item.kind + item.subjectId}>
                  <td className="w-8">
                    {shapes[item.kind] && <VerdictShape verdict={shapes[item.kind] ?? 'NOT_JUDGED'} />}
                  </td>
                  <td className="w-24">
                    <Tag text={item.tag} />
                  </td>
                  <td className="font-semibold">{item.name}</td>
                  <td>
                    {sentence(item)}
                    {item.worse > 0 && <span className="font-semibold">, {t('trend:worse', { n: item.worse })}</span>}
                    {item.kind.startsWith('ROUTE') && item.detail && <span className="text-ink2">, {item.detail}</span>}
                  </td>
                  <td className="num">
                    <Act item={item} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <NextWeeks />
        {first && firstRoundOpen && <FirstRoundSteps first={first} />}
      </div>
    </Page>
  )
}
