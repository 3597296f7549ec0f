import type uPlot from 'uplot'

const NAMESPACE = 'http://www.w3.org/2000/svg'
const rounded = (value: number) => String(Math.round(value * 100) / 100)
/** A text as it may stand in a drawing. */
export const escaped = (text: string) =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;')

/** The steps of a path as SVG writes them. */
class Steps {
  constructor(public text = '') {}

  moveTo(x: number, y: number) {
    this.text += `M${rounded(x)} ${rounded(y)}`
  }

  /** A line out of nowhere begins where it ends. */
  lineTo(x: number, y: number) {
    this.text += `${this.text === '' ? 'M' : 'L'}${rounded(x)} ${rounded(y)}`
  }

  rect(x: number, y: number, width: number, height: number) {
    this.text += `M${rounded(x)} ${rounded(y)}h${rounded(width)}v${rounded(height)}h${rounded(-width)}Z`
  }

  /** Plots draw whole circles only; two halves of one are what SVG understands. */
  arc(x: number, y: number, radius: number) {
    const r = rounded(radius)
    this.text += `M${rounded(x - radius)} ${rounded(y)}a${r} ${r} 0 1 0 ${rounded(2 * radius)} 0a${r} ${r} 0 1 0 ${rounded(-2 * radius)} 0Z`
  }

  closePath() {
    this.text += 'Z'
  }
}

type StepName = 'moveTo' | 'lineTo' | 'rect' | 'arc' | 'closePath'
const STEP_NAMES: StepName[] = ['moveTo', 'lineTo', 'rect', 'arc', 'closePath']

/** Writes each step down while the real one is taken. */
function listening(real: Path2D | CanvasRenderingContext2D, steps: () => Steps) {
  for (const name of STEP_NAMES) {
    const take = real[name].bind(real) as (...numbers: number[]) => void
    Object.defineProperty(real, name, {
      configurable: true,
      value: (...numbers: number[]) => {
        const write = steps()[name].bind(steps()) as (...numbers: number[]) => void
        write(...numbers)
        take(...numbers)
      },
    })
  }
}

/** What is drawn on a canvas, written down as SVG while it is drawn. */
export class Recorder {
  private readonly elements: string[] = []
  private readonly definitions: string[] = []
  private readonly paths = new WeakMap<Path2D, Steps>()
  private readonly clips: (string | null)[] = []
  private clip: string | null = null
  private steps = new Steps()

  constructor(private readonly context: CanvasRenderingContext2D) {}

  /** Records until the answer is called. */
  listen(): () => void {
    const { context, paths } = this
    const Real = globalThis.Path2D
    globalThis.Path2D = class extends Real {
      constructor(path?: Path2D | string) {
        super(path)
        const steps = new Steps(path instanceof Real ? paths.get(path)?.text : '')
        paths.set(this, steps)
        listening(this, () => steps)
      }
    }
    listening(context, () => this.steps)
    const acts: Record<string, (...given: never[]) => void> = {
      beginPath: () => (this.steps = new Steps()),
      save: () => this.clips.push(this.clip),
      restore: () => (this.clip = this.clips.pop() ?? null),
      stroke: (path?: Path2D) => this.add(`<path d="${this.written(path)}" fill="none" ${this.line()}/>`),
      fill: (path?: Path2D) => this.add(`<path d="${this.written(path)}" fill="${this.ink(context.fillStyle)}"/>`),
      clip: (path?: Path2D) => this.cut(this.written(path)),
      fillRect: (x: number, y: number, width: number, height: number) =>
        this.add(
          `<rect x="${rounded(x)}" y="${rounded(y)}" width="${rounded(width)}" height="${rounded(height)}" fill="${this.ink(context.fillStyle)}"/>`,
        ),
      strokeRect: (x: number, y: number, width: number, height: number) =>
        this.add(
          `<rect x="${rounded(x)}" y="${rounded(y)}" width="${rounded(width)}" height="${rounded(height)}" fill="none" ${this.line()}/>`,
        ),
      fillText: (text: string, x: number, y: number) => this.add(this.words(text, x, y)),
    }
    const names = Object.keys(acts) as (keyof CanvasRenderingContext2D)[]
    for (const name of names) {
      const take = (context[name] as (...given: unknown[]) => void).bind(context)
      const act = acts[name] as (...given: unknown[]) => void
      Object.defineProperty(context, name, {
        configurable: true,
        value: (...given: unknown[]) => {
          act(...given)
          take(...given)
        },
      })
    }
    return () => {
      globalThis.Path2D = Real
      for (const name of [...names, ...STEP_NAMES]) Reflect.deleteProperty(context, name)
    }
  }

  /** What was drawn, as the inside of an SVG that is as large as the canvas. */
  content(): string {
    return `<defs>${this.definitions.join('')}</defs>${this.elements.join('')}`
  }

  private written(path?: Path2D): string {
    return (path instanceof Path2D ? (this.paths.get(path) ?? new Steps()) : this.steps).text
  }

  private ink(style: string | CanvasGradient | CanvasPattern): string {
    return typeof style === 'string' ? escaped(style) : 'none'
  }

  private line(): string {
    const { context } = this
    const dash = context.getLineDash()
    return `stroke="${this.ink(context.strokeStyle)}" stroke-width="${rounded(context.lineWidth)}" stroke-linejoin="${context.lineJoin}"${dash.length > 0 ? ` stroke-dasharray="${dash.map(rounded).join(' ')}"` : ''}`
  }

  private words(text: string, x: number, y: number): string {
    const { context } = this
    const anchors: Record<string, string> = { center: 'middle', right: 'end', end: 'end' }
    const baselines: Record<string, string> = { middle: 'central', top: 'text-before-edge', bottom: 'text-after-edge' }
    return `<text x="${rounded(x)}" y="${rounded(y)}" fill="${this.ink(context.fillStyle)}" style="font:${escaped(context.font.replace(/"Source Sans 3"/g, "'Source Sans 3', sans-serif"))}" text-anchor="${anchors[context.textAlign] ?? 'start'}" dominant-baseline="${baselines[context.textBaseline] ?? 'alphabetic'}">${escaped(text)}</text>`
  }

  private cut(path: string) {
    const name = `cut${this.definitions.length}`
    this.definitions.push(`<clipPath id="${name}"><path d="${path}"/></clipPath>`)
    this.clip = name
  }

  private add(element: string) {
    const { a, b, c, d, e, f } = this.context.getTransform()
    const isMoved = a !== 1 || b !== 0 || c !== 0 || d !== 1 || e !== 0 || f !== 0
    const alpha = this.context.globalAlpha
    const moved = isMoved
      ? `<g transform="matrix(${[a, b, c, d, e, f].map(rounded).join(' ')})">${element}</g>`
      : element
    const faint = alpha < 1 ? `<g opacity="${rounded(alpha)}">${moved}</g>` : moved
    this.elements.push(this.clip === null ? faint : `<g clip-path="url(#${this.clip})">${faint}</g>`)
  }
}

/** A plot as an SVG of its own, by drawing it once more. */
export async function svgOfPlot(plot: uPlot): Promise<string> {
  const canvas = plot.ctx.canvas
  const recorder = new Recorder(plot.ctx)
  const stop = recorder.listen()
  try {
    // The same data once more: what the plot remembers of its lines is forgotten, so that they are drawn step by step.
    plot.setData(plot.data, false)
    plot.redraw(true, true)
    // The plot draws when what runs now has ended.
    await Promise.resolve()
    await Promise.resolve()
  } finally {
    stop()
  }
  const scale = devicePixelRatio
  return `<svg xmlns="${NAMESPACE}" width="${canvas.width / scale}" height="${canvas.height / scale}" viewBox="0 0 ${canvas.width} ${canvas.height}">${recorder.content()}</svg>`
}

const COPIED = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
  'dominant-baseline',
  'opacity',
]

/** A drawing of the page as an SVG of its own, its look written into it. */
export function svgOfDrawing(drawing: SVGSVGElement): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement
  const from = [drawing, ...drawing.querySelectorAll('*')]
  const to = [copy, ...copy.querySelectorAll('*')]
  from.forEach((element, i) => {
    const look = getComputedStyle(element)
    to[i]?.setAttribute('style', COPIED.map((name) => `${name}:${look.getPropertyValue(name)}`).join(';'))
    to[i]?.removeAttribute('class')
  })
  const box = drawing.getBoundingClientRect()
  copy.setAttribute('xmlns', NAMESPACE)
  copy.setAttribute('width', String(Math.round(box.width)))
  copy.setAttribute('height', String(Math.round(box.height)))
  return new XMLSerializer().serializeToString(copy)
}
