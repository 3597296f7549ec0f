import { queryOptions } from '@tanstack/react-query'
import { showUnits } from '../../units/shown'
import { api, data } from '../client'
import type { Units } from '../types'

/** What concerns no plant: who one is, how things are shown, and how the house is run. */
export const house = {
  me: () =>
    queryOptions({ queryKey: ['me'], queryFn: () => data(api.GET('/api/session')), retry: false, staleTime: 60_000 }),
  units: () =>
    queryOptions({
      queryKey: ['units'],
      queryFn: async (): Promise<Units> => {
        const units: Units = await data(api.GET('/api/units'))
        showUnits(units.shown)
        return units
      },
      staleTime: 60_000,
    }),
  times: () => queryOptions({ queryKey: ['times'], queryFn: () => data(api.GET('/api/times')), staleTime: Infinity }),
  today: () => queryOptions({ queryKey: ['today'], queryFn: () => data(api.GET('/api/today')) }),
  rules: () => queryOptions({ queryKey: ['rules'], queryFn: () => data(api.GET('/api/policies')) }),
  makersKeys: () => queryOptions({ queryKey: ['makers-keys'], queryFn: () => data(api.GET('/api/makers-keys')) }),
  networks: () => queryOptions({ queryKey: ['networks'], queryFn: () => data(api.GET('/api/networks')) }),
  unitSpellings: () =>
    queryOptions({
      queryKey: ['unit-spellings'],
      queryFn: () => data(api.GET('/api/unit-spellings')),
      staleTime: 60_000,
    }),
  accounts: () => queryOptions({ queryKey: ['accounts'], queryFn: () => data(api.GET('/api/accounts')) }),
  audit: () => queryOptions({ queryKey: ['audit'], queryFn: () => data(api.GET('/api/audit')) }),
}
