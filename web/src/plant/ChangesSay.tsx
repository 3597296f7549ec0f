import type { CheckLine } from '../api/types'
import { Button } from '../parts/Button'
import { VerdictShape } from '../parts/VerdictMark'
import { t } from '../words/t'
import { gotWorse } from './CheckTable'

const MOST = 3

/** What is worse than one reading ago, each one click away; nothing where nothing is. */
export function ChangesSay({ checks, onChoose }: { checks: CheckLine[]; onChoose: (checkId: string) => void }) {
  const worse = checks.filter(gotWorse)
  if (worse.length === 0) return null
  return (
    <section aria-label={t('trend:changed')} className="mb-3 border-l-2 border-ink2 pl-3">
      <p className="font-semibold">{t('trend:worse', { n: worse.length })}</p>
      <ul>
        {worse.slice(0, MOST).map((check) => (
          <li key={check.checkId} className="flex items-center gap-1.5">
            <Button onClick={() => onChoose(check.checkId)}>
              {[check.assetTag, check.point, check.check].join(' ')}
            </Button>
            <VerdictShape verdict={check.verdictBefore} size={11} /> {t(`common:verdict.${check.verdictBefore}`)} →{' '}
            <VerdictShape verdict={check.verdict} size={11} />
            <span className="font-semibold">{t(`common:verdict.${check.verdict}`)}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
