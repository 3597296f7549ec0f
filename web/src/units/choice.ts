import type { ChosenUnit } from '../api/types'

/** One kind of quantity, and what is chosen for it; null takes the choice back. */
export interface Choice {
  kind: string
  chosen: ChosenUnit | null
}

/** Choices as the server takes them: all or none. */
export const chosenUnits = (choices: readonly Choice[]) => ({
  // The description cannot say that a choice may be null.
  choices: choices.map(({ kind, chosen }) => ({ kind, chosen: chosen as ChosenUnit })),
})
