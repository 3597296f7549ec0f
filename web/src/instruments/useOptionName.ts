import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import { t } from '../words/t'

/** What an option of an instrument is called: a technique it can measure, or something else it can do. */
export function useOptionName(): (id: string) => string {
  const techniques = useQuery(queries.techniques()).data
  const others: Record<string, string> = {
    live: t('instruments:option.live'),
    balancing: t('instruments:option.balancing'),
    envelope: t('instruments:option.envelope'),
    channels8: t('instruments:option.channels8'),
  }
  return (id) => techniques?.find((technique) => technique.id === id)?.name ?? others[id] ?? id
}
