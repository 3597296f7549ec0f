import { Popover } from 'radix-ui'
import { lazy, Suspense, useState } from 'react'
import { dayField, isoDay, momentField, momentOf, typedDay, typedMoment, wallOf, zoneLabel } from '../units/times'
import { useTimes } from '../units/useTimes'
import { t } from '../words/t'

// Whoever chooses no date does not wait for a calendar.
const Calendar = lazy(() => import('./Calendar').then(({ Calendar }) => ({ default: Calendar })))

interface Props {
  label: string
  /** As a day, 2026-11-30, or as a moment in ISO 8601; blank where there is none. */
  value: string
  disabled?: boolean
  autoFocus?: boolean
  onChange: (value: string) => void
}

/** A day, typed in the person's format or chosen in the calendar. */
export function DayField(props: Props) {
  return <Typed {...props} width="w-32" shown={dayField} typed={typedDay} dayOf={(day) => day} onDay={props.onChange} />
}

/** A moment, typed and shown as a clock of the site would show it. */
export function MomentField({ withSeconds = false, ...props }: Props & { withSeconds?: boolean }) {
  const { zone } = useTimes()
  const wall = wallOf(props.value === '' ? new Date().toISOString() : props.value, zone)
  return (
    <Typed
      {...props}
      width={withSeconds ? 'w-52' : 'w-48'}
      suffix={props.value === '' ? '' : zoneLabel(props.value, zone)}
      shown={(at) => momentField(at, zone, withSeconds)}
      typed={(text) => typedMoment(text, zone)}
      dayOf={(at) => (at === '' ? '' : isoDay(wall))}
      onDay={(chosen) => {
        const { year, month, day } = wallOf(chosen, zone)
        props.onChange(momentOf({ ...wall, year, month, day, second: withSeconds ? wall.second : 0 }, zone))
      }}
    />
  )
}

interface TypedProps extends Props {
  width: string
  suffix?: string
  shown: (value: string) => string
  /** What a text is; null where it is none. */
  typed: (text: string) => string | null
  dayOf: (value: string) => string
  onDay: (day: string) => void
}

function Typed({ label, value, disabled, autoFocus, width, suffix, shown, typed, dayOf, onChange, onDay }: TypedProps) {
  // Null while nothing is being typed: then the value is shown as it is written here.
  const [text, setText] = useState<string | null>(null)
  const [isOpen, setOpen] = useState(false)
  const isWrong = text !== null && text.trim() !== '' && typed(text) === null
  return (
    <span className="inline-flex items-center gap-1">
      <input
        aria-label={label}
        aria-invalid={isWrong}
        title={isWrong ? t('common:date.unreadable') : undefined}
        autoComplete="off"
        maxLength={40}
        autoFocus={autoFocus}
        className={`field text-[14px] ${width} ${isWrong ? 'border-fail' : ''}`}
        disabled={disabled}
        placeholder={shown(EXAMPLE)}
        value={text ?? shown(value)}
        onChange={(event) => {
          setText(event.target.value)
          onChange(typed(event.target.value) ?? '')
        }}
        onBlur={() => !isWrong && setText(null)}
      />
      <Popover.Root open={isOpen} onOpenChange={setOpen}>
        <Popover.Trigger
          className="field w-[30px] cursor-pointer px-0 text-plum"
          disabled={disabled}
          aria-label={t('common:date.choose', { label })}
        >
          ▾
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content className="z-50 border border-rule2 bg-sheet p-3 shadow-md" align="start" sideOffset={4}>
            <Suspense fallback={t('common:loading')}>
              <Calendar
                day={dayOf(value)}
                onChoose={(day) => {
                  setText(null)
                  setOpen(false)
                  onDay(day)
                }}
              />
            </Suspense>
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      {suffix && <span className="text-[12px] text-ink3">{suffix}</span>}
    </span>
  )
}

/** In an empty field it is seen how a date is written. */
const EXAMPLE = '2026-11-30T14:05:00Z'
