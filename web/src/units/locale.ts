import i18next from 'i18next'

/** English is written here with the day before the month, as in the plants it is read in. */
const WRITTEN: Record<string, string> = { en: 'en-GB' }

/** How numbers and dates are written in the language that is spoken now, as a BCP 47 tag. */
export function locale(): string {
  const language = i18next.language ?? 'en'
  return WRITTEN[language] ?? language
}

const marks = new Map<string, string>()

/** What stands before the decimals. */
function decimalMark(): string {
  const where = locale()
  let mark = marks.get(where)
  if (mark === undefined) {
    mark = new Intl.NumberFormat(where).formatToParts(1.5).find((part) => part.type === 'decimal')?.value ?? '.'
    marks.set(where, mark)
  }
  return mark
}

const MINUS = '−'

/** A plain number such as -1.5 as it is written: with a real minus sign and the language's decimal mark. */
export function written(plain: string): string {
  return plain.replace('-', MINUS).replace('.', decimalMark())
}

/** Languages that write every noun with a capital. */
const CAPITAL_NOUNS: ReadonlySet<string> = new Set(['de', 'lb'])

/** A name of a thing where it stands within a sentence. */
export function withinSentence(noun: string): string {
  return CAPITAL_NOUNS.has(i18next.language) ? noun : noun.toLocaleLowerCase(locale())
}

/** A count, its thousands apart. */
export function count(n: number): string {
  return n.toLocaleString(locale())
}
