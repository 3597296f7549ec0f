import type { Option } from '../api/types'

/** A word to choose that is shown as it is stored. */
export const option = (value: string): Option => ({ value, name: value })
