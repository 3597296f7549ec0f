import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { TemplateLine } from '../api/types'
import { Button } from '../parts/Button'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { usePlantEdit } from './usePlantEdit'

/** Stamped assets that are behind their template, each with what would change: choose which follow. */
export function Followers({ template }: { template: TemplateLine }) {
  const followers = useQuery(queries.followers(template.id))
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const { follow } = usePlantEdit()
  const chosen = (followers.data ?? []).filter((one) => !left.has(one.nodeId))
  const toggle = (id: string) => {
    const next = new Set(left)
    if (!next.delete(id)) next.add(id)
    setLeft(next)
  }
  return (
    <section
      className="mt-4"
      aria-label={t('plant:templates.followers', { n: template.behind, revision: template.revision })}
    >
      <h3 className="font-semibold">
        {t('plant:templates.followers', { n: template.behind, revision: template.revision })}
      </h3>
      <Trouble error={followers.error} />
      <div className="my-1 max-h-[22vh] overflow-auto">
        <table className="ledger">
          <tbody>
            {followers.data?.map((one) => (
              <tr key={one.nodeId}>
                <td className="w-8">
                  <input
                    type="checkbox"
                    aria-label={`${one.tag} ${one.name}`}
                    className="h-4 w-4 accent-plum"
                    checked={!left.has(one.nodeId)}
                    onChange={() => toggle(one.nodeId)}
                  />
                </td>
                <td className="w-24">
                  <Tag text={one.tag} />
                </td>
                <td>{one.name}</td>
                <td className="text-ink2">{t('plant:templates.change', { changes: one.changes, kept: one.kept })}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Button
        kind="second"
        disabled={chosen.length === 0 || follow.isPending}
        onClick={() => follow.mutate({ template: template.id, assets: chosen.map((one) => one.nodeId) })}
      >
        {t('plant:templates.follow', { n: chosen.length })}
      </Button>
    </section>
  )
}
