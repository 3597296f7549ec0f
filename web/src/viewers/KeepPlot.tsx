import { fetchFile, keep } from '../api/files'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { t } from '../words/t'
import type { Span } from './useZoom'
import { type Piece, pngOf, svgOf } from './picture'

/** The numbers behind a picture, as a file. */
export type FileAddress = (form: 'csv' | 'xlsx', stretch: Span | null) => string

interface Props {
  /** What is drawn now. */
  pieces: () => Piece[]
  name: string
  file: FileAddress
  /** The part that is shown; null where it is the whole. */
  shown: Span | null
}

const tableForms = ['csv', 'xlsx'] as const

/** What is shown, to be taken along: as a picture or as numbers. */
export function KeepPlot({ pieces, name, file, shown }: Props) {
  const copy = async () => {
    try {
      await navigator.clipboard.write([new ClipboardItem({ 'image/png': pngOf(pieces()) })])
      say(t('signals:copied'))
    } catch {
      say(t('signals:notCopied'))
    }
  }
  const keepPng = async () => keep(`${name}.png`, await pngOf(pieces()))
  const keepSvg = async () => keep(`${name}.svg`, new Blob([await svgOf(pieces())], { type: 'image/svg+xml' }))
  const tried = (act: () => Promise<void>) => () =>
    void act().catch((wrong: unknown) => say(wrong instanceof Error ? wrong.message : t('signals:notKept')))
  return (
    <p
      role="group"
      aria-label={t('signals:keep')}
      className="flex flex-wrap items-center gap-x-3 text-[13px] text-ink2"
    >
      {t('signals:keep')}
      <Button className="min-h-[24px]" onClick={() => void copy()}>
        {t('signals:clipboard')}
      </Button>
      <Button className="min-h-[24px]" onClick={tried(keepPng)}>
        PNG
      </Button>
      <Button className="min-h-[24px]" onClick={tried(keepSvg)}>
        SVG
      </Button>
      {(shown ? [null, shown] : [null]).map((stretch) => (
        <span key={stretch ? 'shown' : 'whole'} className="inline-flex items-center gap-2">
          {stretch ? t('signals:shownAs') : t('signals:wholeAs')}
          {tableForms.map((form) => (
            <Button
              key={form}
              className="min-h-[24px]"
              onClick={tried(() => fetchFile(file(form, stretch), `${name}.${form}`))}
            >
              {form.toUpperCase()}
            </Button>
          ))}
        </span>
      ))}
    </p>
  )
}
