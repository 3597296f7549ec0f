import { useQuery } from '@tanstack/react-query'
import { useAdding } from './useAdding'
import { useState } from 'react'
import { queries } from '../api/queries'
import type { CheckLine, Level, Sheet, Verdict } from '../api/types'
import { Button } from '../parts/Button'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { LimitDialog } from '../limits/LimitDialog'
import { PictureStrip } from '../pictures/PictureStrip'
import { SiteZone } from '../units/useTimes'
import { t } from '../words/t'
import { CheckDetail } from './CheckDetail'
import { ClientReports } from './ClientReports'
import { CheckTable } from './CheckTable'
import { KeepAsTemplate } from './KeepAsTemplate'
import { ChangesSay } from './ChangesSay'
import { Nameplate } from './Nameplate'
import { labelOf } from './outline'
import { PlantHistory } from './PlantHistory'
import { SettingsPanel } from './SettingsPanel'

interface Props {
  nodeId: string
  checkId: string | undefined
  readingId: string | undefined
  mayEdit: boolean
  show: (next: { check?: string; reading?: string }) => void
}

/** What carries a nameplate, a site with its time zone; a part's or a point's own counts before that of its asset. */
const platedLevels: Level[] = ['SITE', 'SYSTEM', 'ASSET', 'PART', 'POINT']

/** The worst check of a point is the one to look at. */
function showPoint(checks: CheckLine[], pointId: string, show: Props['show']) {
  const worst = mostPressing(checks.filter((check) => check.pointId === pointId))
  if (worst) show({ check: worst.checkId })
}

const worstFirst: Verdict[] = ['FAIL', 'WATCH', 'PASS', 'NOT_JUDGED']

function mostPressing(checks: CheckLine[]): CheckLine | undefined {
  return [...checks].sort((a, b) => worstFirst.indexOf(a.verdict) - worstFirst.indexOf(b.verdict))[0]
}

/**
 * Everything about one thing in the plant: its checks now, the chosen one over time, and how it is measured. What is
 * asked or typed on it belongs to it alone.
 */
export function AssetSheet(props: Props) {
  const [settingsOpen, setSettingsOpen] = useState(false)
  return <SheetOf key={props.nodeId} {...props} settingsOpen={settingsOpen} setSettingsOpen={setSettingsOpen} />
}

interface SheetProps extends Props {
  settingsOpen: boolean
  setSettingsOpen: (open: boolean) => void
}

function SheetOf({ nodeId, checkId, readingId, mayEdit, show, settingsOpen, setSettingsOpen }: SheetProps) {
  // A row that was just typed has no sheet before it is stored.
  const isAdding = useAdding().includes(nodeId)
  const sheet = useQuery({ ...queries.sheet(nodeId), enabled: !isAdding })
  const [limitsOf, setLimitsOf] = useState<{ nodeId: string; name: string; resultId?: string } | null>(null)
  if (!sheet.data) {
    return <div className="p-4">{sheet.error ? <Trouble error={sheet.error} /> : t('common:loading')}</div>
  }
  const chosen = sheet.data.checks.find((check) => check.checkId === checkId) ?? mostPressing(sheet.data.checks)
  return (
    <SiteZone value={sheet.data.zone}>
      <div className="px-4 py-3">
        <SheetHead
          sheet={sheet.data}
          mayEdit={mayEdit}
          onLimits={() => setLimitsOf({ nodeId, name: labelOf(sheet.data.node) })}
        />
        <ChangesSay checks={sheet.data.checks} onChoose={(id) => show({ check: id })} />
        {platedLevels.includes(sheet.data.node.level) && (
          <PictureStrip
            nodeId={nodeId}
            checks={sheet.data.checks}
            mayEdit={mayEdit}
            onPoint={(point) => showPoint(sheet.data.checks, point, show)}
          />
        )}
        {sheet.data.checks.length === 0 ? (
          <p className="mt-4 text-ink2">{t('plant:noChecks')}</p>
        ) : (
          <CheckTable
            sheet={sheet.data}
            chosenId={chosen?.checkId}
            onChoose={(id) => show({ check: id })}
            onLimits={
              mayEdit
                ? (check) =>
                    setLimitsOf({
                      nodeId: check.checkId,
                      name: `${check.point}, ${check.check}`,
                      resultId: check.resultId,
                    })
                : undefined
            }
          />
        )}
        {sheet.data.checks.length < sheet.data.checkCount && (
          <p className="mt-1 text-ink3">
            {t('plant:worstOf', { shown: sheet.data.checks.length, all: sheet.data.checkCount })}
          </p>
        )}
        {chosen && (
          <CheckDetail
            key={chosen.checkId}
            check={chosen}
            readingId={readingId}
            onReading={(reading) => show({ check: chosen.checkId, reading })}
          />
        )}
        <SettingsPanel nodeId={nodeId} isOpen={settingsOpen} onOpen={setSettingsOpen} mayEdit={mayEdit} />
        {limitsOf && <LimitDialog {...limitsOf} onClose={() => setLimitsOf(null)} />}
      </div>
    </SiteZone>
  )
}

function SheetHead({ sheet, mayEdit, onLimits }: { sheet: Sheet; mayEdit: boolean; onLimits: () => void }) {
  const without = sheet.checks.filter(
    (check) => check.readingId !== null && check.resultId !== '' && check.limitNow === '',
  ).length
  const [reportsOpen, setReportsOpen] = useState(false)
  const above = sheet.path.slice(0, -1).map((node) => node.name || node.tag)
  return (
    <header className="mb-3 flex items-center gap-4">
      <Tag text={sheet.node.tag} large />
      <div className="min-w-0">
        <h2 className="text-[19px] leading-6 font-semibold">{sheet.node.name}</h2>
        <div className="flex flex-wrap items-center gap-x-2 text-ink2">
          {above.length > 0 && <span>{above.join(', ')}.</span>}
          {platedLevels.includes(sheet.node.level) && <Nameplate node={sheet.node} mayEdit={mayEdit} />}
          {sheet.node.level === 'CLIENT' && (
            <Button onClick={() => setReportsOpen(true)}>{t('plant:reports.open')}</Button>
          )}
          {mayEdit && sheet.node.level === 'ASSET' && <KeepAsTemplate node={sheet.node} />}
          {mayEdit && sheet.checks.length > 0 && (
            <Button onClick={onLimits}>{without > 0 ? t('limits:without', { n: without }) : t('limits:open')}</Button>
          )}
          {mayEdit && (
            <PlantHistory
              node={sheet.node.id}
              label={t('plant:historyOfNode')}
              title={t('plant:historyOfNodeTitle', { name: labelOf(sheet.node) })}
            />
          )}
        </div>
      </div>
      {reportsOpen && (
        <ClientReports
          clientId={sheet.node.id}
          name={labelOf(sheet.node)}
          mayEdit={mayEdit}
          onClose={() => setReportsOpen(false)}
        />
      )}
    </header>
  )
}
