import { useState } from 'react'
import { t } from '../words/t'
import { Button } from './Button'
import { Trouble } from './Trouble'

interface LineListProps {
  title: string
  /** What the lines are for. */
  says: string
  lines: string[]
  error: Error | null | undefined
  /** Resolves once the lines are kept. */
  keep: (lines: string[]) => Promise<unknown>
}

/** A list that is kept as a whole, typed a line each. */
export function LineList({ title, says, lines, error, keep }: LineListProps) {
  const [typed, setTyped] = useState<string | null>(null)
  const [isKeeping, setKeeping] = useState(false)
  const saved = lines.join('\n')
  const save = (text: string) => {
    setKeeping(true)
    keep(text.split('\n'))
      .then(() => setTyped(null))
      .catch(() => undefined) // what is wrong stands above, and what was typed stays
      .finally(() => setKeeping(false))
  }
  return (
    <section className="mb-6">
      <h2 className="font-semibold">{title}</h2>
      <p className="mb-1 text-ink2">{says}</p>
      <Trouble error={error} />
      <textarea
        aria-label={title}
        rows={5}
        className="field block h-auto w-80"
        value={typed ?? saved}
        onChange={(event) => setTyped(event.target.value)}
      />
      <p className="mt-2">
        <Button
          kind="second"
          disabled={typed === null || typed === saved || isKeeping}
          onClick={() => typed !== null && save(typed)}
        >
          {t('common:save')}
        </Button>
      </p>
    </section>
  )
}
