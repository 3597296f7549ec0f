import type { InstrumentView } from '../api/types'

/** A handheld as the shelf tells it. */
export const vh2: InstrumentView = {
  id: 'i',
  maker: 'Fieldsim',
  model: 'VH-2',
  serial: '30417',
  knownBy: '',
  firmware: '2.4.1',
  options: ['vibration'],
  calibratedOn: '2025-10-14',
  calibratedUntil: '2027-10-14',
  calibrationMonths: null,
  tellsCalibration: true,
  isByHand: false,
  lastSeenAt: '2026-11-23T09:00:00Z',
}
