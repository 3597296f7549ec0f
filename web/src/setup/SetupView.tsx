import { useMay } from '../parts/useMay'
import { Page } from '../parts/Page'
import { LanguageChoice } from '../words/LanguageChoice'
import { t } from '../words/t'
import { AuditTable } from './AuditTable'
import { Policies } from './Policies'
import { MakersKeys } from './MakersKeys'
import { Networks } from './Networks'
import { OwnPassword } from './OwnPassword'
import { People } from './People'
import { SkipReasons } from './SkipReasons'
import { TimesChoice } from './TimesChoice'
import { Units } from './Units'

export function SetupView() {
  const may = useMay()
  return (
    <Page say={<span className="font-semibold">{t('setup:say')}</span>}>
      <div className="h-full overflow-auto px-4 py-3">
        <LanguageChoice />
        <TimesChoice />
        <OwnPassword />
        {may.manage ? <People /> : <p className="mb-4 text-ink2">{t('setup:onlyAdministrator')}</p>}
        <Units mayDecide={may.sign} />
        <Policies mayDecide={may.sign} />
        {may.manage && <Networks />}
        {may.manage && <MakersKeys />}
        {may.edit && <SkipReasons />}
        {may.edit && <AuditTable />}
      </div>
    </Page>
  )
}
