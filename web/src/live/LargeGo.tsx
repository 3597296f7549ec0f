import { useEffect } from 'react'
import type { Go, LiveChannel, LiveSample } from '../api/types'
import { Button } from '../parts/Button'
import { verdictColour, VerdictShape } from '../parts/VerdictMark'
import { number } from '../units/format'
import { t } from '../words/t'
import { GoMark, verdictOf } from './GoMark'

interface Props {
  title: string
  shown: { channel: LiveChannel; at: number }[]
  newest: LiveSample | undefined
  sentence: string
  onClose: () => void
}

function overAll(goes: Go[]): Go {
  if (goes.includes('NO_GO')) return 'NO_GO'
  return goes.includes('GO') ? 'GO' : 'NOT_JUDGED'
}

/** As large as the screen allows. */
const sizeOf = (channels: number) => (channels <= 2 ? 'text-[24vh]' : channels <= 4 ? 'text-[20vh]' : 'text-[9vh]')

/** Values and go or no-go so large that whoever turns the screw at the machine can see them. */
export function LargeGo({ title, shown, newest, sentence, onClose }: Props) {
  useEffect(() => {
    const leave = (event: KeyboardEvent) => event.key === 'Escape' && onClose()
    window.addEventListener('keydown', leave)
    return () => window.removeEventListener('keydown', leave)
  }, [onClose])
  const all = overAll(shown.map(({ at }) => newest?.go[at] ?? 'NOT_JUDGED'))
  return (
    <div className="flex h-screen min-w-0 flex-1 flex-col px-6 py-3">
      <header className="flex items-center gap-6">
        <span
          className={`flex items-center gap-5 text-[64px] leading-[72px] font-bold ${verdictColour[verdictOf[all]]}`}
          role="status"
          aria-label={t('live:overAll')}
        >
          <VerdictShape verdict={verdictOf[all]} size={60} />
          <span className={all === 'NOT_JUDGED' ? 'text-[28px]' : ''}>{t(`live:goAll.${all}`)}</span>
        </span>
        <span className="min-w-0 flex-1 text-ink2">{sentence || title}</span>
        <Button kind="second" onClick={onClose}>
          {t('live:small')}
        </Button>
      </header>
      <ul
        className="grid min-h-0 flex-1 content-start gap-x-10 overflow-auto pt-3"
        style={{ gridTemplateColumns: `repeat(${shown.length > 2 ? 2 : 1}, 1fr)` }}
      >
        {shown.map(({ channel, at }) => (
          <li key={channel.name} className="border-t border-rule2 py-3">
            <p className="flex items-center justify-between text-[26px] leading-8">
              {channel.name}
              <span className="text-[32px]">
                <GoMark go={newest?.go[at] ?? 'NOT_JUDGED'} size={30} />
              </span>
            </p>
            <p className={`leading-none font-bold tabular-nums ${sizeOf(shown.length)}`}>
              {newest?.values[at] === null || newest?.values[at] === undefined
                ? '–'
                : number(newest.values[at], channel.unit, channel.low, channel.high)}
              <span className="ml-3 text-[32px] font-normal text-ink2">{channel.unit}</span>
            </p>
          </li>
        ))}
      </ul>
    </div>
  )
}
