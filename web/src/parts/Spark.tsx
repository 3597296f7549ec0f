/** The last year of a check in a line of text, with its fail boundary. */
export function Spark({ values, fail, width = 62 }: { values: number[]; fail: number | null; width?: number }) {
  const height = 18
  if (values.length === 0) return <span className="text-ink3">–</span>
  const top = Math.max(...values, fail ?? 0) * 1.08 || 1
  const x = (i: number) => (values.length === 1 ? width - 4 : 2 + (i / (values.length - 1)) * (width - 6))
  const y = (value: number) => height - 2 - (value / top) * (height - 4)
  const last = values.length - 1
  return (
    <svg aria-hidden="true" width={width} height={height} className="block">
      {fail !== null && (
        <line
          x1="0"
          x2={width}
          y1={y(fail)}
          y2={y(fail)}
          className="stroke-fail"
          strokeWidth="1"
          strokeDasharray="2 2"
          opacity="0.65"
        />
      )}
      <polyline
        points={values.map((value, i) => `${x(i)},${y(value)}`).join(' ')}
        fill="none"
        className="stroke-ink2"
        strokeWidth="1.2"
      />
      <circle cx={x(last)} cy={y(values[last] ?? 0)} r="2.2" className="fill-ink" />
    </svg>
  )
}
