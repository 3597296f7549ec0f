import type { InstrumentView } from '../api/types'
import { t } from '../words/t'

type Named = Pick<InstrumentView, 'model' | 'serial' | 'knownBy'>

/** What tells an instrument from others of its model. */
export const numberOf = ({ serial, knownBy }: Omit<Named, 'model'>) =>
  serial ? t('instruments:numbered', { serial }) : t('instruments:noSerial', { knownBy })

/** How an instrument is named in a sentence or a list. */
export const nameOf = (instrument: Named) => `${instrument.model} ${numberOf(instrument)}`
