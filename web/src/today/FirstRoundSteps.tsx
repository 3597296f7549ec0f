import { Link } from '@tanstack/react-router'
import type { FirstRound } from '../api/types'
import { ProgressMark } from '../parts/ProgressMark'
import { t } from '../words/t'

const steps = [
  { key: 'plant', to: '/plant' },
  { key: 'checks', to: '/plant' },
  { key: 'instrument', to: '/instruments' },
  { key: 'route', to: '/routes' },
  { key: 'readBack', to: '/instruments' },
  { key: 'certificate', to: '/visits' },
] as const

/** The guided first round, on one's own data. The first open step is the next action. */
export function FirstRoundSteps({ first }: { first: FirstRound }) {
  const next = steps.find((step) => !first[step.key])
  return (
    <section className="mt-6 max-w-[900px]">
      <h2 className="mb-1 font-semibold">{t('today:firstTitle')}</h2>
      <table className="ledger">
        <tbody>
          {steps.map((step, i) => (
            <tr key={step.key} className={step === next ? 'bg-wash' : ''}>
              <td className="w-8">
                <ProgressMark progress={first[step.key] ? 'done' : 'to do'} />
              </td>
              <td className={first[step.key] ? 'text-ink3' : ''}>
                {i + 1}. {t(`today:steps.${step.key}`)}
              </td>
              <td className="num">
                {step === next ? (
                  <Link to={step.to} className="font-semibold text-plum hover:underline">
                    {t('today:doIt')}
                  </Link>
                ) : (
                  first[step.key] && <span className="text-ink3">{t('today:done')}</span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
