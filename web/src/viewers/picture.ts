import type uPlot from 'uplot'
import { colour } from './Plot'
import { escaped, svgOfDrawing, svgOfPlot } from './svgRecorder'

/** Something drawn, and what stands above it. */
export interface Piece {
  title: string
  drawn: uPlot | SVGSVGElement
}

const TITLE = 22
const EDGE = 10
const FONT = '"Source Sans 3", "Noto Sans", sans-serif'

const isDrawing = (drawn: Piece['drawn']): drawn is SVGSVGElement => drawn instanceof SVGSVGElement

function sizeOf({ drawn }: Piece): { width: number; height: number } {
  if (!isDrawing(drawn)) return { width: drawn.width, height: drawn.height }
  const box = drawn.getBoundingClientRect()
  return { width: Math.round(box.width), height: Math.round(box.height) }
}

/** Where each piece stands, one below the other. */
function laidOut(pieces: Piece[]) {
  let top = EDGE
  const places = pieces.map((piece) => {
    const size = sizeOf(piece)
    const place = { piece, ...size, title: top + 15, top: top + TITLE }
    top += TITLE + size.height + EDGE
    return place
  })
  return { places, width: Math.max(...places.map((place) => place.width)) + 2 * EDGE, height: top }
}

/** All pieces as one SVG. */
export async function svgOf(pieces: Piece[]): Promise<string> {
  const { places, width, height } = laidOut(pieces)
  const parts: string[] = []
  for (const { piece, title, top } of places) {
    const inner = isDrawing(piece.drawn) ? svgOfDrawing(piece.drawn) : await svgOfPlot(piece.drawn)
    // Names of clippings must differ within one file.
    const own = inner.replace(/cut(\d+)/g, `cut${parts.length}-$1`).replace('<svg ', `<svg x="${EDGE}" y="${top}" `)
    parts.push(
      `<text x="${EDGE}" y="${title}" fill="${colour('ink')}" style="font:600 13px ${FONT.replace(/"/g, "'")}">${escaped(piece.title)}</text>${own}`,
    )
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"><rect width="${width}" height="${height}" fill="${colour('paper')}"/>${parts.join('')}</svg>`
}

function loaded(svg: string): Promise<HTMLImageElement> {
  return new Promise((resolve, reject) => {
    const image = new Image()
    image.onload = () => resolve(image)
    image.onerror = () => reject(new Error('The drawing is no picture.'))
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`
  })
}

/** All pieces as one PNG, as sharp as the screen. */
export async function pngOf(pieces: Piece[]): Promise<Blob> {
  const { places, width, height } = laidOut(pieces)
  const scale = devicePixelRatio
  const canvas = document.createElement('canvas')
  canvas.width = width * scale
  canvas.height = height * scale
  const context = canvas.getContext('2d')
  if (!context) throw new Error('The browser draws no pictures.')
  context.scale(scale, scale)
  context.fillStyle = colour('paper')
  context.fillRect(0, 0, width, height)
  for (const { piece, title, top, width: wide, height: high } of places) {
    context.fillStyle = colour('ink')
    context.font = `600 13px ${FONT}`
    context.fillText(piece.title, EDGE, title)
    const drawn = isDrawing(piece.drawn) ? await loaded(svgOfDrawing(piece.drawn)) : piece.drawn.ctx.canvas
    context.drawImage(drawn, EDGE, top, wide, high)
  }
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The browser makes no picture.'))), 'image/png'),
  )
}
