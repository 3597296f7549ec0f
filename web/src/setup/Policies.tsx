import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { changed } from '../api/subjects'
import type { Rules } from '../api/types'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'

/** What the house has decided for everybody. */
export function Policies({ mayDecide }: { mayDecide: boolean }) {
  const client = useQueryClient()
  const rules = useQuery(queries.rules())
  const put = useMutation({
    mutationFn: (wanted: Rules) => data(api.PUT('/api/policies', { body: wanted })),
    onSuccess: () => {
      say(t('setup:rulesSaved'))
      void changed(client, 'policies')
    },
  })
  return (
    <section className="mb-6">
      <h2 className="font-semibold">{t('setup:rules')}</h2>
      <Trouble error={rules.error ?? put.error} />
      {rules.data &&
        (['refuseOverdue', 'fileNeedsSecond'] as const).map((rule) => (
          <label key={rule} className="flex min-h-[26px] items-center gap-2">
            <input
              type="checkbox"
              className="h-4 w-4 accent-plum"
              disabled={!mayDecide || put.isPending}
              checked={rules.data[rule]}
              onChange={(event) => put.mutate({ ...rules.data, [rule]: event.target.checked })}
            />
            {t(`setup:${rule}`)}
          </label>
        ))}
    </section>
  )
}
