import type { ChosenUnit } from '../api/types'

/** What somebody might measure, in the unit that is stored most. */
export const examples: Record<string, number> = {
  'vibration-velocity': 2.17,
  'vibration-acceleration': 9.14,
  'vibration-displacement': 41.2,
  'rotational-speed': 1480,
  frequency: 24.7,
  pressure: 6.2,
  temperature: 23.1,
  'temperature-difference': 4.5,
  length: 4.38,
  'air-speed': 3.4,
  'volume-flow': 7.5,
  voltage: 231,
  'signal-voltage': 12.41,
  current: 14.6,
  'loop-current': 11.984,
  resistance: 108.2,
  'cell-ohmic-value': 0.312,
  'insulation-resistance': 112,
  resistivity: 184,
  power: 7.5,
  force: 96.5,
  torque: 45,
}

const inchPound: Record<string, string> = {
  'vibration-velocity': 'in/s',
  'vibration-acceleration': 'g',
  'vibration-displacement': 'mil',
  pressure: 'psi',
  temperature: '°F',
  'temperature-difference': 'Δ°F',
  length: 'in',
}

interface Preset {
  name: 'si' | 'inchPound'
  chosen: (kind: string) => ChosenUnit | null
}

/** Several choices at once: what is stored is SI, or of its making. */
export const presets: Preset[] = [
  { name: 'si', chosen: () => null },
  {
    name: 'inchPound',
    chosen: (kind) => {
      const unit = inchPound[kind]
      return unit === undefined ? null : { unit, decimals: null }
    },
  },
]
