import type { components } from './schema'

type Schemas = components['schemas']
export type Account = Schemas['Account']
export type PlantNode = Schemas['PlantNode']
export type Level = PlantNode['level']
export type SettingLine = Schemas['SettingLine']
export type RuleDraft = Schemas['RuleDraft']
export type RuleKind = RuleDraft['kind']
export type LimitForm = Schemas['LimitForm']
export type LimitRevision = Omit<Schemas['RevisionLine'], 'limit'> & { limit: LimitForm | null }
export type LimitLine = Omit<Schemas['LimitLine'], 'limit' | 'revisions'> & {
  limit: LimitForm | null
  revisions: LimitRevision[]
}
export type LimitPreview = Omit<Schemas['LimitPreview'], 'shown'> & {
  shown: (Omit<Schemas['PreviewedCheck'], 'limit'> & { limit: LimitForm | null })[]
}
export type VerdictNotes = { overridden: Schemas['Overridden'] | null; rejudged: Schemas['Rejudged'] | null }
export type PlantEvent = Schemas['PlantEvent']
export type EventKind = PlantEvent['kind']
export type Option = Schemas['Option']
export type Plate = Schemas['Plate']
export type PlateLine = Schemas['PlateLine']
export type SettingEffect = Schemas['Effect']
export type Standing = Schemas['Standing']
export type Verdict = Standing['worst']
export type CheckLine = Omit<Schemas['CheckLine'], 'notes'> & { notes: VerdictNotes | null }
export type OutlineRow = Schemas['Row']
export type OutlineFilter = Schemas['OutlineFilter']
export type FoundNode = Schemas['Found']
export type PickedCheck = Schemas['PickedCheck']
export type Committed = Schemas['Committed']
export type ImportPreview = Schemas['ImportPreview']
export type ImportRow = Schemas['RowView']
export type TemplateLine = Schemas['TemplateLine']
export type Follower = Schemas['Follower']
export type Sheet = Omit<Schemas['Sheet'], 'checks'> & { checks: CheckLine[] }
export type TrendPoint = Omit<Schemas['TrendPoint'], 'notes'> & { notes: VerdictNotes | null }
export type Course = Omit<Schemas['Course'], 'reaching'> & { reaching: Schemas['Reaching'] | null }
export type LimitStep = Schemas['LimitStep']
export type Trend = Omit<Schemas['TrendView'], 'points' | 'course'> & { points: TrendPoint[]; course: Course | null }
export type CurveView = Schemas['CurveView']
export type WaterfallView = Schemas['Waterfall']
export type Look = Schemas['Look']
export type ResultLine = Schemas['ResultLine']
export type RunView = Omit<Schemas['RunView'], 'channels'> & {
  channels: (Omit<Schemas['RunView']['channels'][number], 'values'> & { values: (number | null)[] })[]
}
export type RunStatistics = Omit<Schemas['OfChannel'], 'statistics'> & {
  statistics: Schemas['ChannelStatistics'] | null
}
export type Finding = Schemas['Finding']
export type Mark = Finding['evidence'][number]
export type LiveUpdate = Omit<Schemas['LiveUpdate'], 'recording' | 'samples'> & {
  recording: Schemas['Recording'] | null
  samples: LiveSample[]
}
export type LiveChannel = Schemas['Channel']
export type LiveSample = Omit<Schemas['Sample'], 'values'> & { values: (number | null)[] }
export type LiveKind = Schemas['LiveTarget']['kind']
export type Go = LiveSample['go'][number]
export type ForeignLook = Schemas['ForeignLook']
export type ForeignDraft = Schemas['ForeignDraft']
export type ForeignColumn = Schemas['ColumnDraft']
export type ForeignPreview = Schemas['ForeignPreview']
export type HandRound = Schemas['HandRound']
export type HandStop = Schemas['HandStop']
export type ScheduledRoute = Schemas['ScheduledRoute']
export type RouteCalendar = Schemas['Calendar']
export type RouteView = Schemas['RouteView']
export type PictureView = Schemas['PictureView']
export type PictureSpot = Schemas['Spot']
export type SetupView = Schemas['SetupView']
export type SetupFormView = Schemas['SetupFormView']
export type SetupFieldView = Schemas['SetupFieldView']
export type WalkOrder = Schemas['WalkOrder']
export type SensorView = Schemas['SensorView']
export type InstrumentView = Schemas['InstrumentView']
export type GateItem = Schemas['GateItem']
export type ConnectionView = Schemas['ConnectionView']
export type MemoryLine = Schemas['MemoryLine']
export type JobView = Schemas['JobView']
export type VisitSheet = Omit<Schemas['VisitSheet'], 'rows'> & { rows: VisitRow[] }
export type VisitRow = Omit<Schemas['VisitRow'], 'notes'> & { notes: VerdictNotes | null }
export type LooseReading = Schemas['LooseReading']
export type CertificateLine = Schemas['CertificateLine']
export type TodayItem = Schemas['Item']
export type FirstRound = Schemas['FirstRound']
export type Corrected = Schemas['Corrected']
export type CaptureView = Schemas['CaptureView']
export type ConnectionLine = Schemas['ConnectionLine']
export type CandidateLine = Schemas['CandidateLine']
export type ReachKind = ConnectionLine['reach']['kind']
export type FirmwareLine = Schemas['FirmwareLine']
export type PaperLine = Schemas['PaperLine']
export type OriginalLine = Schemas['OriginalLine']
export type TechniqueView = Schemas['TechniqueView']
export type Rules = Schemas['Rules']
export type UnitKind = Omit<Schemas['UnitKind'], 'everybody' | 'own'> & {
  everybody: ChosenUnit | null
  own: ChosenUnit | null
}
export type ChosenUnit = Schemas['ChosenUnit']
export type OwnUnit = Schemas['OwnUnitLine']
export type ReportChoice = Omit<Schemas['ReportChoice'], 'units'> & { units: Units }
export type Units = Omit<Schemas['UnitView'], 'kinds'> & { kinds: UnitKind[] }
