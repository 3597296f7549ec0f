import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { FakePath, recorded } from '../test/fakeCanvas'

describe('a plot is written down as it is drawn', () => {
  beforeEach(() => vi.stubGlobal('Path2D', FakePath))
  afterEach(() => vi.unstubAllGlobals())

  it('writes lines with their ink, width and dash, and draws them all the same', () => {
    const { svg, canvas } = recorded((context, own) => {
      own.dash = [3, 2]
      context.beginPath()
      context.moveTo(1, 2)
      context.lineTo(3.456, 4)
      context.stroke()
    })
    expect(svg).toContain(
      '<path d="M1 2L3.46 4" fill="none" stroke="#111" stroke-width="1.5" stroke-linejoin="round" stroke-dasharray="3 2"/>',
    )
    expect(canvas.taken).toEqual(['beginPath', 'moveTo', 'lineTo', 'stroke'])
  })

  it('follows paths that are made beforehand, copied, and begin with a line', () => {
    const { svg } = recorded((context) => {
      const line = new Path2D()
      line.lineTo(0, 9)
      line.lineTo(5, 9)
      const area = new Path2D(line)
      area.lineTo(5, 0)
      context.stroke(line)
      context.fill(area)
    })
    expect(svg).toContain('<path d="M0 9L5 9" fill="none"')
    expect(svg).toContain('<path d="M0 9L5 9L5 0" fill="#222"/>')
  })

  it('cuts only while the cut holds, moves and fades', () => {
    const { svg } = recorded((context, own) => {
      context.save()
      context.beginPath()
      context.rect(0, 0, 10, 10)
      context.clip()
      own.globalAlpha = 0.5
      context.fillRect(1, 1, 2, 2)
      context.restore()
      own.globalAlpha = 1
      context.translate(7, 8)
      context.strokeRect(3, 3, 1, 1)
    })
    expect(svg).toContain('<clipPath id="cut0"><path d="M0 0h10v10h-10Z"/></clipPath>')
    expect(svg).toContain('<g clip-path="url(#cut0)"><g opacity="0.5"><rect x="1" y="1"')
    expect(svg).toContain('<g transform="matrix(1 0 0 1 7 8)"><rect x="3"')
    expect(svg.split('clip-path=')).toHaveLength(2)
  })

  it('writes words as words, and nothing that would break the file', () => {
    const { svg } = recorded((context, own) => {
      own.textAlign = 'right'
      own.textBaseline = 'top'
      context.fillText('P-1 <"A&B">', 4, 5)
    })
    expect(svg).toContain(
      'text-anchor="end" dominant-baseline="text-before-edge">P-1 &lt;&quot;A&amp;B&quot;&gt;</text>',
    )
  })

  it('writes a circle as two halves', () => {
    expect(
      recorded((context) => {
        context.beginPath()
        context.arc(10, 10, 4, 0, 7)
        context.fill()
      }).svg,
    ).toContain('M6 10a4 4 0 1 0 8 0a4 4 0 1 0 -8 0Z')
  })

  it('leaves the canvas and the page as they were', () => {
    const { canvas } = recorded((context) => context.save())
    const before = canvas.taken.length
    canvas.save()
    expect(canvas.taken).toHaveLength(before + 1)
    expect(globalThis.Path2D).toBe(FakePath)
  })
})
