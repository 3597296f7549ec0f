import { Recorder } from '../viewers/svgRecorder'

/** Takes every step a canvas takes, and draws nothing. */
export class FakeCanvas {
  strokeStyle = '#111'
  fillStyle = '#222'
  lineWidth = 1.5
  lineJoin = 'round'
  globalAlpha = 1
  font = '12px "Source Sans 3"'
  textAlign = 'left'
  textBaseline = 'alphabetic'
  dash: number[] = []
  taken: string[] = []
  private moved = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 }

  getTransform = () => this.moved
  translate = (e: number, f: number) => {
    this.moved = { ...this.moved, e, f }
  }
  getLineDash = () => this.dash
  beginPath() {
    this.taken.push('beginPath')
  }
  moveTo() {
    this.taken.push('moveTo')
  }
  lineTo() {
    this.taken.push('lineTo')
  }
  rect() {
    this.taken.push('rect')
  }
  arc() {
    this.taken.push('arc')
  }
  closePath() {
    this.taken.push('closePath')
  }
  save() {
    this.taken.push('save')
  }
  restore() {
    this.taken.push('restore')
  }
  stroke() {
    this.taken.push('stroke')
  }
  fill() {
    this.taken.push('fill')
  }
  clip() {
    this.taken.push('clip')
  }
  fillRect() {
    this.taken.push('fillRect')
  }
  strokeRect() {
    this.taken.push('strokeRect')
  }
  fillText() {
    this.taken.push('fillText')
  }
  setLineDash(dash: number[]) {
    this.dash = dash
  }
  measureText(text: string) {
    return { width: 6 * text.length }
  }
}

/** Stands in for the paths a page makes beforehand. */
export class FakePath {
  moveTo() {
    return undefined
  }
  lineTo() {
    return undefined
  }
  rect() {
    return undefined
  }
  arc() {
    return undefined
  }
  closePath() {
    return undefined
  }
}

/** What is drawn, as the recorder writes it down. */
export function recorded(draw: (context: CanvasRenderingContext2D, canvas: FakeCanvas) => void): {
  svg: string
  canvas: FakeCanvas
} {
  const canvas = new FakeCanvas()
  const context = canvas as unknown as CanvasRenderingContext2D
  const recorder = new Recorder(context)
  const stop = recorder.listen()
  draw(context, canvas)
  stop()
  return { svg: recorder.content(), canvas }
}
