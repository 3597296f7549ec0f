import { useState } from 'react'
import type { Look } from '../api/types'
import { Button } from '../parts/Button'
import { t } from '../words/t'
import { Choice } from './Choice'

/** Ways of looking that were chosen, by their keys. */
export type Looked = Record<string, string>

/** What a reading is laid beside: nothing, or another reading with its name. */
export interface Beside {
  readingId: string
  name: string
}

interface Props {
  looks: Look[]
  looked: Looked
  onLook: (looked: Looked) => void
}

/** The ways in which a capture can be looked at, as its technique names them. */
export function LookBar({ looks, looked, onLook }: Props) {
  const [isOpen, setOpen] = useState(false)
  if (looks.length === 0) return null
  return (
    <details className="text-[13px]" open={isOpen} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-[24px] cursor-pointer">
        {t('signals:looks')}:{' '}
        <span className="text-ink2">
          {Object.entries(looked)
            .map(([key, value]) => nameOf(looks, key, value))
            .join(', ') || t('signals:asUsual')}
        </span>
      </summary>
      <div role="group" aria-label={t('signals:looks')} className="flex flex-wrap items-center gap-x-4">
        {looks.map((look) => (
          <Choice
            key={look.key}
            label={look.name}
            value={looked[look.key] ?? look.value}
            options={look.options.map((option) => option.value)}
            said={Object.fromEntries(look.options.map((option) => [option.value, option.name]))}
            onChange={(value) => onLook({ ...looked, [look.key]: value })}
          />
        ))}
        {Object.keys(looked).length > 0 && (
          <Button className="min-h-[24px]" onClick={() => onLook({})}>
            {t('signals:asUsual')}
          </Button>
        )}
      </div>
    </details>
  )
}

function nameOf(looks: Props['looks'], key: string, value: string) {
  const options = looks.find((look) => look.key === key)?.options ?? []
  return options.find((option) => option.value === value)?.name ?? value
}
