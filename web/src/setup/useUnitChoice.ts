import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { UnitKind, Units } from '../api/types'
import { say } from '../parts/notices'
import { type Choice, chosenUnits } from '../units/choice'
import { showUnits } from '../units/shown'
import { t } from '../words/t'

/** For whom a unit is chosen. */
export type Whose = 'everybody' | 'mine'

const PATHS = { mine: '/api/units/mine', everybody: '/api/units/everybody' } as const

/** What holds for somebody now, so that it can be taken back. */
export const held = (kind: UnitKind, whose: Whose): Choice => ({
  kind: kind.kind,
  chosen: whose === 'mine' ? kind.own : kind.everybody,
})

/** Chooses units; whatever is on the screen is shown in them at once, and it can be undone. */
export function useUnitChoice(whose: Whose) {
  const client = useQueryClient()
  const choose = useMutation({
    mutationFn: ({ wanted }: { wanted: Choice[]; before: Choice[] }): Promise<Units> =>
      data(api.PUT(PATHS[whose], { body: chosenUnits(wanted) })),
    onSuccess: (units, { wanted, before }) => {
      showUnits(units.shown)
      client.setQueryData(queries.units().queryKey, units)
      say(t('setup:units.saved'), () => choose.mutate({ wanted: before, before: wanted }))
      return client.invalidateQueries()
    },
  })
  return choose
}
