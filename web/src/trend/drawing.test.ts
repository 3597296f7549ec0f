import type uPlot from 'uplot'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { LimitStep, PlantEvent, Trend, TrendPoint } from '../api/types'
import { FakePath, recorded } from '../test/fakeCanvas'
import german from '../words/de'
import english from '../words/en'
import { type Wording, speak } from '../words/i18n'
import { drawBaselines, drawCourse, drawEvents, drawLimits, drawLine, drawReadings } from './drawing'

vi.mock('../viewers/Plot', () => ({ colour: (name: string) => name }))

const DAY = 86_400_000
const START = Date.parse('2026-01-01T00:00:00Z')
const at = (day: number) => new Date(START + day * DAY).toISOString()

/** A pixel a day from the left, ten pixels a unit from the bottom. */
function drawn(draw: (plot: uPlot) => void): string {
  return recorded((ctx) => {
    const plot = {
      ctx,
      bbox: { left: 0, top: 0, width: 400, height: 100 },
      valToPos: (value: number, scale: string) => (scale === 'x' ? (value * 1000 - START) / DAY : 100 - 10 * value),
    }
    draw(plot as unknown as uPlot)
  }).svg
}

const point = (day: number, value: number, more: Partial<TrendPoint> = {}): TrendPoint => ({
  readingId: `r${day}`,
  at: at(day),
  value,
  verdict: 'PASS',
  reason: '',
  notes: null,
  ...more,
})

const trend = (points: TrendPoint[], more: Partial<Trend> = {}): Trend => ({
  checkId: 'c',
  zone: 'UTC',
  title: 'P-101 Drive end',
  assetTag: 'P-101',
  resultId: 'velocity.rms',
  result: 'velocity RMS',
  unit: 'mm/s',
  unitLabel: 'mm/s RMS',
  points,
  stretches: [],
  readings: points.length,
  firstAt: points[0]?.at ?? null,
  lastAt: points.at(-1)?.at ?? null,
  lines: [],
  baselines: [],
  events: [],
  course: null,
  others: [],
  sisters: [],
  ...more,
})

const step = (more: Partial<LimitStep>): LimitStep => ({
  from: null,
  to: null,
  watch: null,
  fail: null,
  watchLow: null,
  failLow: null,
  said: '',
  ...more,
})

describe('a trend is drawn as it is', () => {
  beforeEach(() => vi.stubGlobal('Path2D', FakePath))
  afterEach(() => vi.unstubAllGlobals())

  it('breaks the line where the calendar shows a gap', () => {
    const svg = drawn((plot) => drawLine(plot, trend([0, 30, 60, 90, 250, 280].map((day) => point(day, 2))), 0, 'y'))
    expect(svg).toContain('M0 80L30 80L60 80L90 80M250 80L280 80')
  })

  it('names another line at its end, told apart by its dashes', () => {
    const svg = drawn((plot) => drawLine(plot, trend([point(0, 1), point(30, 2)]), 1, 'y'))
    expect(svg).toContain('stroke-dasharray="7 4"')
    expect(svg).toContain('>P-101</text>')
  })

  it('draws the least and the largest of stretches, so that no spike is lost', () => {
    const svg = drawn((plot) =>
      drawLine(
        plot,
        trend([], { stretches: [{ from: at(0), to: at(10), least: 1, largest: 9, readings: 500, median: 4 }] }),
        0,
        'y',
      ),
    )
    expect(svg).toContain('M5 90L5 9')
  })

  it('steps its limits where they were changed, and names only those that hold', () => {
    const svg = drawn((plot) =>
      drawLimits(plot, [step({ to: at(100), watch: 4, fail: 8 }), step({ from: at(100), watch: 3, fail: 7 })], ''),
    )
    expect(svg).toContain('M0 60L100 60')
    expect(svg).toContain('M100 30L400 30')
    expect(svg).toContain('>fail 7.00</text>')
    expect(svg).not.toContain('8.00')
  })

  it('names them in the language that is read', async () => {
    await speak('de', german as Wording)
    const svg = drawn((plot) => drawLimits(plot, [step({ watch: 4, fail: 8 })], ''))
    await speak('en', english)
    expect(svg).toContain('>n. i. O. 8,00</text>')
    expect(svg).toContain('>Beob. 4,00</text>')
  })

  it('draws a lower boundary beside an upper one', () => {
    const svg = drawn((plot) => drawLimits(plot, [step({ watch: 6, fail: 8, watchLow: 3, failLow: 2 })], ''))
    expect(svg.match(/stroke="fail"/g)).toHaveLength(2)
    expect(svg.match(/stroke="watch"/g)).toHaveLength(2)
  })

  it('flags what happened by its kind, within the plot', () => {
    const event: PlantEvent = {
      id: 'e',
      nodeId: 'n',
      nodeName: 'P-101',
      at: at(398),
      kind: 'REPAIR',
      words: 'bearing',
      startsBaseline: true,
      baselineUntil: null,
      notedBy: 'Tarn',
    }
    const svg = drawn((plot) => drawEvents(plot, [event]))
    expect(svg).toContain('>repair</text>')
    expect(svg).toContain('M398 0L398 100')
    const box = /<rect x="([\d.]+)"[^>]*width="([\d.]+)"/.exec(svg)
    expect(Number(box?.[1]) + Number(box?.[2])).toBeLessThanOrEqual(400)
  })

  it('brackets a baseline, with its name only where there is room', () => {
    expect(drawn((plot) => drawBaselines(plot, [{ from: at(0), to: at(100) }]))).toContain('>baseline</text>')
    expect(drawn((plot) => drawBaselines(plot, [{ from: at(0), to: at(20) }]))).not.toContain('</text>')
  })

  it('gives every reading the shape of its verdict, and a second ring to what a person judged', () => {
    const readings = [
      point(10, 2),
      point(20, 4, { verdict: 'WATCH' }),
      point(30, 8, { verdict: 'FAIL' }),
      point(40, 1, { verdict: 'NOT_JUDGED' }),
    ]
    const svg = drawn((plot) => drawReadings(plot, trend(readings), undefined))
    expect(svg).toContain('fill="fail"')
    expect(svg).toContain('fill="watch"')
    expect(svg).toContain('stroke-dasharray="2.2 2.2"')
    const overridden = point(10, 2, {
      notes: { overridden: { computed: 'FAIL', because: 'throttled', by: 'Tarn', at: at(11) }, rejudged: null },
    })
    expect(drawn((plot) => drawReadings(plot, trend([overridden]), undefined))).toContain('stroke="plum"')
    expect(drawn((plot) => drawReadings(plot, trend([point(10, 2)]), 'r10'))).toContain('fill="wash"')
  })

  it('widens towards the dates between which the limit is reached, or stays open', () => {
    const reaching = { boundary: 'FAIL' as const, value: 7, at: at(300), earliest: at(280), latest: at(340) }
    const course = {
      finding: 'TREND' as const,
      readings: 9,
      since: at(0),
      isGrowth: false,
      isUneven: false,
      perDay: 0.01,
      probability: 0.003,
      path: [
        { at: at(0), value: 1 },
        { at: at(300), value: 7 },
      ],
      reaching,
    }
    const followed = trend([point(0, 1), point(200, 5)], { course })
    expect(drawn((plot) => drawCourse(plot, followed))).toContain('L280 30L340 30Z')
    expect(
      drawn((plot) =>
        drawCourse(plot, { ...followed, course: { ...course, reaching: { ...reaching, latest: null } } }),
      ),
    ).toContain('L280 30L400 30Z')
    expect(drawn((plot) => drawCourse(plot, followed))).toContain('stroke-dasharray="5 4"')
    expect(drawn((plot) => drawCourse(plot, { ...followed, course: null }))).not.toContain('<path')
  })
})
