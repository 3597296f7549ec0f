import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import { changed } from '../api/subjects'
import type { CheckLine, VisitRow, VisitSheet } from '../api/types'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { Page } from '../parts/Page'
import { Trouble } from '../parts/Trouble'
import { isPartly, RollUpMark } from '../parts/RollUpMark'
import { VerdictMark } from '../parts/VerdictMark'
import { LimitDialog } from '../limits/LimitDialog'
import { span } from '../units/format'
import { SiteZone, useTimes } from '../units/useTimes'
import { nameOf } from '../instruments/instrumentName'
import { t } from '../words/t'
import { Corrections } from './Corrections'
import { CorrectionBar } from './CorrectionBar'
import { StopTable } from './StopTable'
import { Tray } from './Tray'

const route = getRouteApi('/visits/$visitId')

export function VisitSheetView() {
  const { visitId } = route.useParams()
  const visit = useQuery(queries.visit(visitId))
  const may = useMay()
  const navigate = useNavigate()
  const client = useQueryClient()
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const [limitsOf, setLimitsOf] = useState<Pick<CheckLine, 'checkId' | 'point' | 'check'> | null>(null)
  const onCertificates = useQuery(queries.onCertificates(visitId)).data ?? []
  const certified = (readingId: string) =>
    onCertificates.filter((one) => one.readingId === readingId).map((one) => one.number)
  const rows = visit.data?.rows ?? []
  const chosen = rows.map((row) => row.checkId).filter((id) => !left.has(id))
  const prepare = useMutation({
    mutationFn: () => data(api.POST('/api/certificates', { body: { visitId, checkIds: chosen } })),
    onSuccess: async (certificate) => {
      await changed(client, 'certificates')
      void navigate({ to: '/certificates', search: { certificate: certificate.id } })
    },
  })
  const loose = visit.data?.tray.filter((reading) => reading.discardedBecause === null).length ?? 0
  const toggle = (row: VisitRow, on: boolean) => {
    const next = new Set(left)
    if (on) next.delete(row.checkId)
    else next.add(row.checkId)
    setLeft(next)
  }
  return (
    <SiteZone value={visit.data?.zone ?? null}>
      <Page
        say={
          <span className="font-semibold">
            {!visit.data
              ? t('common:loading')
              : loose > 0
                ? t('visits:sheet.loose', { n: loose })
                : t('visits:sheet.ready')}
          </span>
        }
        actions={
          may.edit && (
            <>
              <span className="text-ink2">{t('visits:sheet.choose', { n: chosen.length })}</span>
              <Button kind="main" disabled={chosen.length === 0 || prepare.isPending} onClick={() => prepare.mutate()}>
                {t('visits:sheet.prepare')}
              </Button>
            </>
          )
        }
      >
        <div className="flex h-full flex-col">
          <Trouble error={visit.error ?? prepare.error} />
          {visit.data && (
            <>
              <VisitHead visit={visit.data} />
              {may.edit && (
                <CorrectionBar
                  visit={visit.data}
                  chosen={rows.filter((row) => !left.has(row.checkId))}
                  certified={certified}
                />
              )}
              <div className="flex min-h-0 flex-1 max-lg:flex-col">
                <section aria-label={t('visits:sheet.stops')} className="min-w-0 flex-1 overflow-auto px-2">
                  <StopTable
                    rows={rows}
                    visitedAt={visit.data.beganAt}
                    left={left}
                    onToggle={toggle}
                    mayEdit={may.edit}
                    certified={certified}
                    onLimits={may.edit ? setLimitsOf : undefined}
                  />
                  <Corrections visitId={visitId} mayEdit={may.edit} />
                </section>
                <Tray tray={visit.data.tray} mayEdit={may.edit} />
              </div>
            </>
          )}
          {limitsOf && (
            <LimitDialog
              nodeId={limitsOf.checkId}
              name={`${limitsOf.point}, ${limitsOf.check}`}
              onClose={() => setLimitsOf(null)}
            />
          )}
        </div>
      </Page>
    </SiteZone>
  )
}

function VisitHead({ visit }: { visit: VisitSheet }) {
  const { day, dayAndTime } = useTimes()
  const count = (progress: string) => visit.rows.filter((row) => row.progress === progress).length
  const open = visit.rows.length - count('done') - count('skipped')
  const ahead = visit.clockAheadSeconds
  const { verdicts, instrument } = visit
  const facts: [string, React.ReactNode][] = [
    [t('visits:sheet.stops'), t('visits:sheet.doneSkipped', { done: count('done'), skipped: count('skipped'), open })],
    [
      t('visits:sheet.worst'),
      <span key="worst" className="inline-flex gap-2">
        {isPartly(verdicts) ? <RollUpMark counted={verdicts} /> : <VerdictMark verdict={verdicts.worst} />}
        <span className="text-ink3">
          {t('visits:sheet.verdictCounts', {
            fail: verdicts.fail,
            watch: verdicts.watch,
            notJudged: verdicts.notJudged,
          })}
        </span>
      </span>,
    ],
    [
      t('visits:sheet.instrument'),
      `${instrument.isByHand ? t('visits:sheet.byHand') : nameOf(instrument)}${visit.calibratedUntil ? `, ${t('visits:sheet.calibratedTo', { day: day(visit.calibratedUntil) })}` : ''}`,
    ],
    [t('visits:sheet.by'), visit.technician],
  ]
  if (ahead !== 0)
    facts.push([t('visits:sheet.clock'), t('visits:sheet.clockCorrected', { span: span(ahead), ahead: ahead > 0 })])
  return (
    <header className="flex shrink-0 flex-wrap items-end gap-x-7 gap-y-1 border-b border-rule2 px-4 py-2.5">
      <div>
        <div className="text-ink2">
          {dayAndTime(visit.beganAt)}
          {visit.client && `, ${visit.client}`}
        </div>
        <h2 className="text-[19px] leading-6 font-semibold">{visit.title}</h2>
      </div>
      {facts.map(([name, value]) => (
        <dl key={name}>
          <dt className="text-[12px] font-semibold text-ink2">{name}</dt>
          <dd>{value}</dd>
        </dl>
      ))}
    </header>
  )
}
