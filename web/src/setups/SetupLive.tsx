import { Link } from '@tanstack/react-router'
import type { SetupView } from '../api/types'
import { t } from '../words/t'

/** A set-up that nothing is loaded with: Rovek itself reads by it. */
export function SetupLive({ setup }: { setup: SetupView }) {
  return (
    <section className="mt-5">
      <p className="mb-3">
        <span className="font-semibold">{setup.says}.</span> {t('setups:revision', { n: setup.revision })}.
      </p>
      <Link
        to="/live"
        search={{ setup: setup.id }}
        className="inline-block border border-plum bg-plum px-3.5 py-1 font-semibold text-onplum hover:opacity-90"
      >
        {t('live:open')}
      </Link>
    </section>
  )
}
