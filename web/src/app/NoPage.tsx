import { t } from '../words/t'

/** An address that leads nowhere: mistyped, or of a version that is gone. */
export function NoPage() {
  return (
    <section className="p-6">
      <h1 className="font-semibold">{t('common:noPage')}</h1>
      <p className="text-ink2">{t('common:noPageNext')}</p>
    </section>
  )
}
