/** Wording of the register of sensors. */
export const sensors = {
  title: 'Sensors',
  register: 'Register a sensor',
  change: (tag: string) => `Sensor ${tag}`,
  none: 'No sensor yet: sensitivities are typed.',
  tag: 'Tag',
  technique: 'For',
  serial: 'Serial number',
  sensitivity: 'Sensitivity',
  range: 'Range',
  to: 'to',
  calibrated: 'Calibrated on',
  every: 'Again after',
  months: 'months',
  with: 'Goes with',
  anyInstrument: 'any instrument',
  retired: 'Retired: no check can choose it any more',
  isRetired: 'retired',
  due: 'calibration due',
  until: (day: string) => `calibrated to ${day}`,
  uncalibrated: 'no calibration noted',
  users: (n: number) =>
    n === 0
      ? 'No check is measured with it.'
      : n === 1
        ? '1 check is measured with it.'
        : `${n} checks are measured with it.`,
  usersChange: 'A new sensitivity holds for what is loaded from now on; earlier readings keep theirs.',
  noNumber: (field: string, typed: string) => `${field}: “${typed}” is no number that can stand there.`,
  of: (tag: string) => `of sensor ${tag}`,
} as const
