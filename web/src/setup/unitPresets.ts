import type { ChosenUnit } from '../api/types'

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
