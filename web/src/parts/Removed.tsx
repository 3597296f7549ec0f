import { useMutation } from '@tanstack/react-query'
import { t } from '../words/t'
import { Button } from './Button'
import { Trouble } from './Trouble'

interface Props {
  things: readonly { id: string; name: string }[] | undefined
  onBringBack: (id: string) => Promise<unknown>
}

/** What was taken off a list, folded away until somebody wants it back. */
export function Removed({ things, onBringBack }: Props) {
  const bringBack = useMutation({ mutationFn: onBringBack })
  if (!things || things.length === 0) return null
  return (
    <details className="px-3 py-2 text-ink2">
      <summary className="cursor-pointer">{t('common:removed', { n: things.length })}</summary>
      <Trouble error={bringBack.error} />
      {things.map((thing) => (
        <p key={thing.id} className="py-1">
          <span className="block">{thing.name}</span>
          <Button disabled={bringBack.isPending} onClick={() => bringBack.mutate(thing.id)}>
            {t('common:bringBack')}
          </Button>
        </p>
      ))}
    </details>
  )
}
