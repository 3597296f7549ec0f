import type { ConnectionView, MemoryLine } from '../api/types'
import { bytes } from '../units/format'
import { t } from '../words/t'

const fills: { states: MemoryLine['state'][]; name: string; look: string }[] = [
  { states: ['NEW'], name: t('instruments:fill.fresh'), look: 'bg-plum' },
  { states: ['PART'], name: t('instruments:fill.part'), look: 'bg-plum/60' },
  { states: ['STORED'], name: t('instruments:fill.stored'), look: 'bg-ink3/70' },
  { states: ['LOADED'], name: t('instruments:fill.route'), look: 'bg-ink2' },
]

/** What fills the memory, to scale. */
export function MemoryBar({ connection }: { connection: ConnectionView }) {
  const capacity = connection.usedBytes + connection.freeBytes
  const parts = fills
    .map((fill) => ({
      ...fill,
      size: connection.files
        .filter((file) => fill.states.includes(file.state))
        .reduce((sum, file) => sum + file.bytes, 0),
    }))
    .filter((part) => part.size > 0)
  return (
    <section className="mb-3" aria-label={t('instruments:memory')}>
      <div className="mb-1 flex justify-between">
        <span className="font-semibold">{t('instruments:memory')}</span>
        <span className="text-ink2">
          {t('instruments:memoryFree', { free: bytes(connection.freeBytes), all: bytes(capacity) })}
        </span>
      </div>
      <div className="flex h-3.5 border border-rule2 bg-sheet">
        {parts.map((part) => (
          <div
            key={part.name}
            className={part.look}
            style={{ width: `${Math.max(0.4, (100 * part.size) / capacity)}%` }}
          />
        ))}
      </div>
      <div className="mt-1 flex gap-5 text-[12px] text-ink2">
        {parts.map((part) => (
          <span key={part.name} className="flex items-center gap-1.5">
            <span className={`inline-block h-2.5 w-2.5 ${part.look}`} /> {part.name} {bytes(part.size)}
          </span>
        ))}
      </div>
    </section>
  )
}
