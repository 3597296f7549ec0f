import { type Conversion, shownIn } from '../units/shown'
import type {
  CheckLine,
  CurveView,
  HandStop,
  LimitForm,
  LimitLine,
  LimitPreview,
  LiveChannel,
  LiveSample,
  Plate,
  ResultLine,
  RuleDraft,
  RunStatistics,
  RunView,
  Sheet,
  Trend,
  VisitRow,
  VisitSheet,
  WaterfallView,
} from './types'

/**
 * What the server answers is in the units of the checks. It becomes what people chose here, where it comes in, so that
 * nothing behind has to think of units: every number is in the unit that stands beside it.
 */

type Numbers<T> = { [K in keyof T]-?: T[K] extends number | null ? K : never }[keyof T]

/** A copy with some of its numbers converted; null stays null. */
function converted<T extends object>(
  of: T,
  by: Conversion,
  values: readonly Numbers<T>[],
  differences: readonly Numbers<T>[] = [],
): T {
  const copy = { ...of }
  const convert = (keys: readonly Numbers<T>[], how: (stored: number) => number) => {
    for (const key of keys) {
      const stored = of[key] as number | null
      if (stored !== null) copy[key] = how(stored) as T[typeof key]
    }
  }
  convert(values, by.value)
  convert(differences, by.difference)
  return copy
}

/** The unit in front of "mm/s RMS". */
function labelled(label: string, unit: string, by: Conversion): string {
  return unit !== '' && label.startsWith(unit) ? by.unit + label.slice(unit.length) : label
}

const BOUNDARIES = ['watch', 'watchLow', 'fail', 'failLow'] as const

function check(line: CheckLine): CheckLine {
  const by = shownIn(line.unit)
  return {
    ...converted(line, by, ['value', ...BOUNDARIES], ['change']),
    spark: line.spark.map(by.value),
    unit: by.unit,
    unitLabel: labelled(line.unitLabel, line.unit, by),
  }
}

export function sheet(stored: Sheet): Sheet {
  return { ...stored, checks: stored.checks.map(check) }
}

export function trend(stored: Trend): Trend {
  const by = shownIn(stored.unit)
  const course = stored.course && {
    ...converted(stored.course, by, [], ['perDay']),
    path: stored.course.path.map((point) => converted(point, by, ['value'])),
    reaching: stored.course.reaching && converted(stored.course.reaching, by, ['value']),
  }
  return {
    ...stored,
    course,
    points: stored.points.map((point) => converted(point, by, ['value'])),
    lines: stored.lines.map((line) => converted(line, by, [...BOUNDARIES])),
    stretches: stored.stretches.map((stretch) => converted(stretch, by, ['least', 'largest', 'median'])),
    unit: by.unit,
    unitLabel: labelled(stored.unitLabel, stored.unit, by),
  }
}

function visitRow(row: VisitRow): VisitRow {
  const by = shownIn(row.unit)
  return {
    ...converted(row, by, ['value', ...BOUNDARIES], ['change']),
    others: row.others.map((other) => converted(other, by, ['value'])),
    unit: by.unit,
  }
}

export function visit(stored: VisitSheet): VisitSheet {
  return { ...stored, rows: stored.rows.map(visitRow), tray: stored.tray.map(read) }
}

/** A reading with its value and unit, wherever it is listed. */
export function read<T extends { value: number | null; unit: string }>(line: T): T {
  const by = shownIn(line.unit)
  return { ...line, value: line.value === null ? null : by.value(line.value), unit: by.unit }
}

export function handStop(stop: HandStop): HandStop {
  const by = shownIn(stop.unit)
  return { ...converted(stop, by, ['watch', 'fail', 'last']), unit: by.unit }
}

export function result(line: ResultLine): ResultLine {
  const by = shownIn(line.unit)
  return { ...converted(line, by, ['value', ...BOUNDARIES]), unit: by.unit }
}

/** Along the curve, not its abscissa: that has a choice of its own. */
export function curve<T extends Pick<CurveView, 'y' | 'yUnit' | 'peaks'>>(stored: T): T {
  const by = shownIn(stored.yUnit)
  return {
    ...stored,
    y: stored.y.map(by.value),
    peaks: stored.peaks.map((peak) => converted(peak, by, ['value'])),
    yUnit: by.unit,
  }
}

export function waterfall(stored: WaterfallView): WaterfallView {
  const by = shownIn(stored.unit)
  return {
    ...stored,
    rows: stored.rows.map((row) => ({ ...row, values: row.values.map(by.value) })),
    unit: by.unit,
  }
}

export function run(stored: RunView): RunView {
  return {
    ...stored,
    channels: stored.channels.map((channel) => {
      const by = shownIn(channel.unit)
      return {
        ...converted(channel, by, ['low', 'high']),
        values: channel.values.map((value) => (value === null ? null : by.value(value))),
        unit: by.unit,
      }
    }),
  }
}

export function runStatistics(stored: RunStatistics): RunStatistics {
  const by = shownIn(stored.unit)
  return {
    ...stored,
    statistics: stored.statistics && converted(stored.statistics, by, ['least', 'largest', 'mean']),
    unit: by.unit,
  }
}

export function liveChannel(channel: LiveChannel): LiveChannel {
  const by = shownIn(channel.unit)
  return { ...converted(channel, by, ['low', 'high']), unit: by.unit }
}

/** @param stored the channels as the server told them */
export function liveSample(sample: LiveSample, stored: readonly LiveChannel[]): LiveSample {
  return {
    ...sample,
    values: sample.values.map((value, at) => (value === null ? null : shownIn(stored[at]?.unit ?? '').value(value))),
  }
}

/** Shares and multiples of scatter are the same in any unit; deviations and rates are differences. */
function rule(stored: RuleDraft, by: Conversion): RuleDraft {
  switch (stored.kind) {
    case 'ABOVE':
    case 'BELOW':
    case 'WITHIN':
    case 'OUTSIDE':
      return converted(stored, by, [...BOUNDARIES])
    case 'TARGET':
      return converted(stored, by, ['target'], ['watch', 'fail'])
    case 'RATE':
      return converted(stored, by, [], ['watch', 'fail'])
    case 'BASELINE':
    case 'SISTERS':
      return stored.isShare ? stored : converted(stored, by, [], ['watch', 'fail'])
    case 'SCATTER':
      return stored
  }
}

/** @param unit of the result, that the limit's numbers are in where it does not say */
function limitForm(stored: LimitForm, unit = ''): LimitForm {
  const by = shownIn(stored.unit ?? unit)
  return {
    ...converted(stored, by, [], ['hysteresis']),
    rules: stored.rules.map((one) => rule(one, by)),
    unit: by.unit,
  }
}

export function limitLine(stored: LimitLine): LimitLine {
  return {
    ...stored,
    limit: stored.limit && limitForm(stored.limit, stored.unit),
    revisions: stored.revisions.map((one) => ({ ...one, limit: one.limit && limitForm(one.limit, stored.unit) })),
    proposals: stored.proposals.map((proposal) => ({ ...proposal, limit: limitForm(proposal.limit, stored.unit) })),
    unit: shownIn(stored.unit).unit,
  }
}

export function limitPreview(stored: LimitPreview): LimitPreview {
  return { ...stored, shown: stored.shown.map((one) => ({ ...one, limit: one.limit && limitForm(one.limit) })) }
}

/** What follows from the plate; the plate itself says what stands on the machine. */
export function plate(stored: Plate): Plate {
  return { ...stored, derived: stored.derived.map(read) }
}
