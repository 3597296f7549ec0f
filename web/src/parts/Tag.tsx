/** The plate wired to a machine: a thing in the plant, or an instrument. */
export function Tag({ text, large = false }: { text: string; large?: boolean }) {
  if (!text) return null
  const height = large ? 32 : 20
  const notch = large ? 16 : 10
  return (
    <span className="relative inline-flex shrink-0 items-center align-middle" style={{ height }}>
      <svg aria-hidden="true" className="absolute inset-0 h-full w-full overflow-visible" preserveAspectRatio="none">
        <rect
          x={notch}
          y="0.5"
          width={`calc(100% - ${notch}px)`}
          height={height - 1}
          className="fill-sheet stroke-rule2"
        />
      </svg>
      <svg aria-hidden="true" width={notch + 1} height={height} className="relative shrink-0">
        <path
          d={`M${notch + 1} 0.5 L${notch} 0.5 L0.8 ${height / 2} L${notch} ${height - 0.5} L${notch + 1} ${height - 0.5}`}
          className="fill-sheet stroke-rule2"
        />
        <circle
          cx={notch - (large ? 1 : 0.5)}
          cy={height / 2}
          r={large ? 2.6 : 1.7}
          className="fill-paper stroke-ink3"
        />
      </svg>
      <span
        className={`relative font-mono font-semibold whitespace-nowrap ${large ? 'px-3 text-[18px]' : 'px-2 text-[12px]'}`}
      >
        {text}
      </span>
    </span>
  )
}
