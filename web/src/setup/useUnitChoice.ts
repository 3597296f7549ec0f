import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { ChosenUnit, UnitKind, Units } from '../api/types'
import { say } from '../parts/notices'
import { showUnits } from '../units/shown'
import { t } from '../words/t'

/** For whom a unit is chosen. */
export type Whose = 'everybody' | 'mine'

/** One kind of quantity, and what is chosen for it; null follows everybody, or shows what is stored. */
export interface Choice {
  kind: string
  chosen: ChosenUnit | null
}

const put = (whose: Whose, { kind, chosen }: Choice): Promise<Units> =>
  data(
    api.PUT(whose === 'mine' ? '/api/units/mine/{kind}' : '/api/units/everybody/{kind}', {
      params: { path: { kind } },
      // The description cannot say that it may be null.
      body: { chosen: chosen as ChosenUnit },
    }),
  )

/** What holds for somebody now, so that it can be taken back. */
export const held = (kind: UnitKind, whose: Whose): Choice => ({
  kind: kind.kind,
  chosen: whose === 'mine' ? kind.own : kind.everybody,
})

/** Chooses units; whatever is on the screen is shown in them at once, and it can be undone. */
export function useUnitChoice(whose: Whose) {
  const client = useQueryClient()
  const choose = useMutation({
    mutationFn: async ({ wanted }: { wanted: Choice[]; before: Choice[] }) => {
      let units: Units | undefined
      for (const one of wanted) units = await put(whose, one)
      return units
    },
    onSuccess: (units, { wanted, before }) => {
      if (units) {
        showUnits(units.shown)
        client.setQueryData(queries.units().queryKey, units)
      }
      say(t('setup:units.saved'), () => choose.mutate({ wanted: before, before: wanted }))
    },
    // Half of several may be kept: then that half is shown.
    onSettled: () => client.invalidateQueries(),
  })
  return choose
}
