/** The decimals of a number, whichever language's mark stands before them: the last mark that only digits follow. */
const DECIMALS = /[.,](\d+)$/

/** How many decimals the numbers of a column have at most. */
export function mostDecimals(texts: readonly (string | null)[]): number {
  return Math.max(0, ...texts.map((text) => DECIMALS.exec(text ?? '')?.[1]?.length ?? 0))
}

interface Props {
  text: string
  /** How many decimals the longest of the column has. */
  among: number
}

/** A number in a column of numbers that are aligned at their decimal marks. */
export function Decimal({ text, among }: Props) {
  return (
    <>
      {text}
      <DecimalRoom text={text} among={among} />
    </>
  )
}

/** As much room behind a number as the longest needs. It is drawn, not written: whoever copies or reads the number has the number. */
export function DecimalRoom({ text, among }: Props) {
  const own = mostDecimals([text])
  if (own === among || !/\d$/.test(text)) return null
  const room = `${own === 0 ? '.' : ''}${'0'.repeat(among - own)}`
  return <span aria-hidden="true" data-room={room} className="after:invisible after:content-[attr(data-room)]" />
}
