import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { words } from '../words/en'

const text = words.signals

interface Props {
  /** Where the plot is drawn. */
  canvas: () => HTMLCanvasElement | null
  name: string
  csv: (whole: boolean) => string
}

function save(name: string, content: Blob) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}

/** The plot on paper ground: a canvas has none of its own. */
function pictured(canvas: HTMLCanvasElement): Promise<Blob> {
  const whole = document.createElement('canvas')
  whole.width = canvas.width
  whole.height = canvas.height
  const context = whole.getContext('2d')
  if (context) {
    context.fillStyle = getComputedStyle(document.documentElement).getPropertyValue('--paper')
    context.fillRect(0, 0, whole.width, whole.height)
    context.drawImage(canvas, 0, 0)
  }
  return new Promise((resolve, reject) => whole.toBlob((blob) => (blob ? resolve(blob) : reject(new Error(text.notCopied))), 'image/png'))
}

/** What is shown, to be taken along: as a picture or as numbers. */
export function KeepPlot({ canvas, name, csv }: Props) {
  const picture = async () => {
    const drawn = canvas()
    return drawn ? pictured(drawn) : null
  }
  const copy = async () => {
    try {
      const blob = await picture()
      if (blob) await navigator.clipboard.write([new ClipboardItem({ 'image/png': blob })])
      say(text.copied)
    } catch {
      say(text.notCopied)
    }
  }
  const keepPng = async () => {
    const blob = await picture()
    if (blob) save(`${name}.png`, blob)
  }
  const keepCsv = (whole: boolean) => save(`${name}.csv`, new Blob([csv(whole)], { type: 'text/csv' }))
  return (
    <span className="flex flex-wrap gap-x-3 text-[13px] text-ink2">
      {text.keep}
      <Button onClick={() => void copy()}>{text.clipboard}</Button>
      <Button onClick={() => void keepPng()}>{text.png}</Button>
      <Button onClick={() => keepCsv(false)}>{text.csvShown}</Button>
      <Button onClick={() => keepCsv(true)}>{text.csvWhole}</Button>
    </span>
  )
}
