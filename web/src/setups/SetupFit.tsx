import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { queries } from '../api/queries'
import type { InstrumentView, SetupView } from '../api/types'
import { FitLine } from '../instruments/FitLine'
import { t } from '../words/t'

/** What will happen, and which instrument can do it: asked of the connected instrument itself. */
export function SetupFit({ setup }: { setup: SetupView }) {
  const instruments = useQuery(queries.instruments())
  return (
    <section className="mt-5">
      <p className="mb-2">
        <span className="font-semibold">{setup.says}.</span> {t('setups:revision', { n: setup.revision })}.
      </p>
      <h2 className="font-semibold">{t('routes:fit')}</h2>
      <table className="ledger max-w-[860px]">
        <tbody>
          {instruments.data?.map((instrument) => (
            <FitRow key={instrument.id} instrument={instrument} setup={setup} />
          ))}
          {instruments.data?.length === 0 && (
            <tr>
              <td>{t('instruments:none')}</td>
            </tr>
          )}
        </tbody>
      </table>
    </section>
  )
}

function FitRow({ instrument, setup }: { instrument: InstrumentView; setup: SetupView }) {
  const fit = useQuery(queries.setupFit(instrument.id, setup.id, setup.revision))
  const held = setup.loaded.find((one) => one.instrumentId === instrument.id)
  const obstacles = fit.data?.obstacles
  return (
    <FitLine
      instrument={instrument}
      isAsking={fit.isPending}
      error={fit.error}
      held={
        held &&
        (held.revision === setup.revision
          ? t('setups:held', { revision: held.revision })
          : t('setups:heldOlder', { revision: held.revision }))
      }
      outcome={obstacles?.length === 0 ? t('setups:fits') : undefined}
      reasons={obstacles}
      action={
        obstacles?.length === 0 && (
          <Link
            to="/instruments"
            search={{ instrument: instrument.id, setup: setup.id }}
            className="font-semibold whitespace-nowrap text-plum hover:underline"
          >
            {t('setups:load')}
          </Link>
        )
      }
    />
  )
}
