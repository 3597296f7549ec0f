import type { CheckLine, Sheet, Verdict } from '../api/types'
import { Button } from '../parts/Button'
import { Decimal } from '../parts/Decimal'
import { Spark } from '../parts/Spark'
import { Tag } from '../parts/Tag'
import { VerdictMark, VerdictShape } from '../parts/VerdictMark'
import { columns } from '../units/columns'
import { boundary } from '../units/format'
import { t } from '../words/t'

interface Props {
  sheet: Sheet
  chosenId: string | undefined
  onChoose: (checkId: string) => void
  onLimits: ((check: CheckLine) => void) | undefined
}

const worstFirst: Verdict[] = ['FAIL', 'WATCH', 'PASS', 'NOT_JUDGED']

/** Each check with its latest value, limit, change and verdict: the comparison a technician makes. Of many assets the worst come first. */
export function CheckTable({ sheet, chosenId, onChoose, onLimits }: Props) {
  const many =
    sheet.node.level === 'CLIENT' ||
    sheet.node.level === 'SITE' ||
    sheet.node.level === 'AREA' ||
    sheet.node.level === 'SYSTEM'
  const ordered = many
    ? [...sheet.checks].sort((a, b) => worstFirst.indexOf(a.verdict) - worstFirst.indexOf(b.verdict))
    : sheet.checks
  const { texts: shown, decimals } = columns(ordered)
  return (
    <table className="ledger">
      <thead>
        <tr>
          {many && <th />}
          <th>{t('plant:check')}</th>
          <th className="num">{t('plant:now')}</th>
          <th className="num">{t('plant:limit')}</th>
          <th className="num">{t('plant:sinceLast')}</th>
          <th>{t('plant:verdict')}</th>
          {!many && <th />}
        </tr>
      </thead>
      <tbody>
        {ordered.map((check, at) => (
          <tr
            key={check.checkId}
            aria-current={check.checkId === chosenId ? 'true' : undefined}
            onClick={() => onChoose(check.checkId)}
            className={`cursor-pointer ${check.checkId === chosenId ? 'bg-wash shadow-[inset_3px_0_0_var(--plum)]' : 'hover:bg-paper2'}`}
          >
            {many && (
              <td className="w-[92px]">
                <Tag text={check.assetTag} />
              </td>
            )}
            <td
              className={many ? 'w-full max-w-0 truncate' : ''}
              title={`${check.point} ${check.check} ${check.unitLabel}`}
            >
              <button type="button" className="cursor-pointer text-left" onClick={() => onChoose(check.checkId)}>
                <span className="font-semibold">{check.point}</span> {check.check}{' '}
                <span className="text-[12px] text-ink3">{check.unitLabel}</span>
              </button>
            </td>
            <td className="num font-semibold">
              <Decimal text={shown[at]?.value ?? ''} among={decimals.value} />
            </td>
            <td className="num text-ink2">
              <LimitCell check={check} decimals={decimals.limit} onLimits={onLimits} />
            </td>
            <td className="num">
              {gotWorse(check) && <VerdictShape verdict={check.verdictBefore} size={10} />}{' '}
              <Decimal text={shown[at]?.change ?? ''} among={decimals.change} />
            </td>
            <td>
              <VerdictMark verdict={check.verdict} reason={check.reason} notes={check.notes} />
            </td>
            {/* Of many, the plant beside it shows the course, and the checks need the room for their names. */}
            {!many && (
              <td>
                <Spark values={check.spark} fail={check.fail} />
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** What it was one reading ago is shown where it is worse now. */
export function gotWorse(check: CheckLine): boolean {
  return (
    check.verdictBefore !== 'NOT_JUDGED' &&
    check.verdict !== 'NOT_JUDGED' &&
    worstFirst.indexOf(check.verdict) < worstFirst.indexOf(check.verdictBefore)
  )
}

interface LimitProps {
  check: CheckLine
  decimals: number
  onLimits: Props['onLimits']
}

function LimitCell({ check, decimals, onLimits }: LimitProps) {
  // What the newest reading was judged by; a limit that began since, or can be applied to no reading yet, is a limit too.
  const judgedBy = boundary(check)
  const said = judgedBy ?? (check.limitNow === '' ? null : check.limitNow)
  const isOver = judgedBy !== null && check.limitNow === ''
  if (!onLimits || check.resultId === '') return <Decimal text={said ?? '–'} among={decimals} />
  return (
    <Button
      title={said ?? undefined}
      className={`max-w-[150px] truncate align-bottom ${said === null ? '' : '!font-normal !text-ink2'}`}
      onClick={(event) => {
        event.stopPropagation()
        onLimits(check)
      }}
    >
      {said === null ? t('plant:setOne') : <Decimal text={said} among={decimals} />}
      {isOver && <span className="ml-1 text-[12px] text-ink3">{t('limits:ended')}</span>}
    </Button>
  )
}
