import type { LimitForm, RuleDraft } from '../api/types'
import { boundary, limit as boundaryText, significant, unitText } from '../units/format'
import { t } from '../words/t'

const SIGNS = { UP: '+', DOWN: '−', BOTH: '±' }

const joined = (...parts: (string | null)[]) => parts.filter(Boolean).join(' ')

/** What the deviations of a rule are counted in. */
function countedIn({ kind, isShare, isRobust }: RuleDraft, unit: string): string {
  if (kind === 'SCATTER') return t(isRobust ? 'limits:robust' : 'limits:classical')
  if (kind === 'RATE') return t('limits:perDay', { unit })
  return isShare ? t('limits:share') : unit
}

function ruleWords(rule: RuleDraft, unit: string): string {
  const kind = `${t(`limits:kinds.${rule.kind}`)}:`
  const beside = unitText(unit)
  switch (rule.kind) {
    case 'ABOVE':
    case 'BELOW':
    case 'WITHIN':
      return joined(boundary({ ...rule, isLower: rule.kind === 'BELOW', unit }), beside)
    case 'OUTSIDE':
      return joined(kind, boundary({ ...rule, isLower: false, unit }), beside)
    default: {
      const sign = SIGNS[rule.side ?? 'UP']
      const by = (end: number | null) => (end === null ? '–' : sign + significant(end))
      const target = rule.target === null ? null : boundaryText(rule.target, unit)
      return joined(kind, target, `${by(rule.watch)} / ${by(rule.fail)}`, countedIn(rule, beside))
    }
  }
}

/** A limit in one line, in the unit that its numbers are in. */
export function limitWords({ rules, hysteresis, boundaryIsPast, unit }: LimitForm): string {
  const all = rules.map((rule) => ruleWords(rule, unit ?? '')).join(' & ')
  const back = hysteresis !== 0 && joined(t('limits:hysteresis'), significant(hysteresis), unitText(unit ?? ''))
  return [all, back, boundaryIsPast && t('limits:boundaryIsPast')].filter(Boolean).join('; ')
}
