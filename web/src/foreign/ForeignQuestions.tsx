import { useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { queries } from '../api/queries'
import type { ForeignDraft, ForeignLook } from '../api/types'
import { nameOf } from '../instruments/instrumentName'
import { t } from '../words/t'

interface Props {
  look: ForeignLook
  draft: ForeignDraft
  onChange: (draft: ForeignDraft) => void
}

/** What a table does not say of itself. What it leaves open is asked, nothing is guessed in silence. */
export function ForeignQuestions({ look, draft, onChange }: Props) {
  return (
    <div className="mb-3 grid grid-cols-2 gap-x-8 gap-y-2">
      <Question name={t('foreign:mark')} hint={draft.mark === null ? t('foreign:askMark') : ''}>
        <select
          className="field w-full"
          value={draft.mark ?? ''}
          onChange={(event) => onChange({ ...draft, mark: (event.target.value || null) as ForeignDraft['mark'] })}
        >
          {draft.mark === null && <option value="">{t('foreign:ask')}</option>}
          {look.marks.map((mark) => (
            <option key={mark} value={mark}>
              {t(`foreign:marks.${mark}`)}
            </option>
          ))}
        </select>
      </Question>
      <Question
        name={t('foreign:order')}
        hint={draft.order === null ? t('foreign:askOrder', { sample: look.dateSample }) : ''}
      >
        <select
          className="field w-full"
          value={draft.order ?? ''}
          onChange={(event) => onChange({ ...draft, order: (event.target.value || null) as ForeignDraft['order'] })}
        >
          {draft.order === null && <option value="">{t('foreign:ask')}</option>}
          {look.orders.map((order) => (
            <option key={order} value={order}>
              {t(`foreign:orders.${order}`)}
            </option>
          ))}
        </select>
      </Question>
      <WriterQuestion draft={draft} onChange={onChange} />
      <Question name={t('foreign:zone')} hint="">
        <select
          className="field w-full"
          value={draft.zone}
          onChange={(event) => onChange({ ...draft, zone: event.target.value })}
        >
          {zones(draft.zone).map((zone) => (
            <option key={zone}>{zone}</option>
          ))}
        </select>
      </Question>
    </div>
  )
}

const zones = (chosen: string) => [
  ...new Set([chosen, Intl.DateTimeFormat().resolvedOptions().timeZone, 'UTC', ...Intl.supportedValuesOf('timeZone')]),
]

function WriterQuestion({ draft, onChange }: Omit<Props, 'look'>) {
  const instruments = useQuery(queries.instruments()).data ?? []
  const numbered = instruments.filter((one) => one.serial !== '')
  const known = numbered.find(
    (one) => one.serial === draft.serial && one.model === draft.model && one.maker === (draft.maker ?? ''),
  )
  const choose = (id: string) => {
    const { maker, model, serial } = numbered.find((one) => one.id === id) ?? { maker: '', model: '', serial: '' }
    onChange({ ...draft, maker, model, serial })
  }
  return (
    <Question name={t('foreign:instrument')} hint="">
      <select className="field w-full" value={known?.id ?? ''} onChange={(event) => choose(event.target.value)}>
        <option value="">{t('foreign:anotherInstrument')}</option>
        {numbered.map((one) => (
          <option key={one.id} value={one.id}>
            {nameOf(one)}
          </option>
        ))}
      </select>
      {!known && (
        <span className="mt-1 flex gap-2">
          <input
            aria-label={t('foreign:maker')}
            placeholder={t('foreign:maker')}
            maxLength={60}
            className="field min-w-0 flex-1"
            value={draft.maker ?? ''}
            onChange={(event) => onChange({ ...draft, maker: event.target.value })}
          />
          <input
            aria-label={t('foreign:model')}
            placeholder={t('foreign:model')}
            maxLength={60}
            className="field min-w-0 flex-1"
            value={draft.model}
            onChange={(event) => onChange({ ...draft, model: event.target.value })}
          />
          <input
            aria-label={t('foreign:serial')}
            placeholder={t('foreign:serial')}
            maxLength={60}
            className="field min-w-0 flex-1"
            value={draft.serial}
            onChange={(event) => onChange({ ...draft, serial: event.target.value })}
          />
        </span>
      )}
    </Question>
  )
}

function Question({ name, hint, children }: { name: string; hint: string; children: ReactNode }) {
  return (
    <div>
      <label className="block">
        <span className="block text-[12px] font-semibold text-ink2">{name}</span>
        {children}
      </label>
      {hint && <p className="mt-0.5 text-[13px]">{hint}</p>}
    </div>
  )
}
