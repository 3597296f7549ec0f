import { DayPicker } from 'react-day-picker'
import { locale } from '../units/locale'
import { isoDay, wallOf } from '../units/times'
import { t } from '../words/t'

const iso = (date: Date) => isoDay({ year: date.getFullYear(), month: date.getMonth() + 1, day: date.getDate() })

const dateOf = (text: string) => {
  const { year, month, day } = wallOf(text, '')
  return new Date(year, month - 1, day)
}

const look = {
  month_caption: 'mb-1 text-center font-semibold',
  nav: 'absolute inset-x-0 top-0 flex justify-between',
  months: 'relative',
  button_previous: 'h-[26px] w-[26px] cursor-pointer text-plum',
  button_next: 'h-[26px] w-[26px] cursor-pointer text-plum',
  chevron: 'inline-block h-3 w-3 fill-current',
  month_grid: 'border-collapse',
  weekday: 'h-[26px] w-9 text-[12px] font-normal text-ink3',
  day: 'p-0 text-center',
  day_button: 'h-[32px] w-9 cursor-pointer hover:bg-paper2',
  selected: 'bg-wash font-semibold text-plum',
  today: 'underline',
  outside: 'text-ink3',
}

/** A month of days to choose from, in the language that is spoken. */
export function Calendar({ day, onChoose }: { day: string; onChoose: (day: string) => void }) {
  const chosen = day === '' ? undefined : dateOf(day)
  return (
    <DayPicker
      mode="single"
      autoFocus
      showOutsideDays
      weekStartsOn={1}
      defaultMonth={chosen}
      selected={chosen}
      onSelect={(date) => date && onChoose(iso(date))}
      classNames={look}
      formatters={{
        formatCaption: (month) => month.toLocaleDateString(locale(), { month: 'long', year: 'numeric' }),
        formatWeekdayName: (date) => date.toLocaleDateString(locale(), { weekday: 'short' }),
        formatDay: (date) => String(date.getDate()),
      }}
      labels={{
        labelDayButton: (date) => date.toLocaleDateString(locale(), { dateStyle: 'full' }),
        labelGrid: (month) => month.toLocaleDateString(locale(), { month: 'long', year: 'numeric' }),
        labelWeekday: (date) => date.toLocaleDateString(locale(), { weekday: 'long' }),
        labelNav: () => t('common:date.months'),
        labelNext: () => t('common:date.next'),
        labelPrevious: () => t('common:date.previous'),
      }}
    />
  )
}
