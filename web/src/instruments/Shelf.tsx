import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { CandidateLine, ConnectionLine, InstrumentView } from '../api/types'
import { Button } from '../parts/Button'
import { Tag } from '../parts/Tag'
import { Trouble } from '../parts/Trouble'
import { day } from '../units/format'
import { numberOf } from './instrumentName'
import { t } from '../words/t'
import { SensorShelf } from './SensorShelf'
import { TakeFile } from './TakeFile'
import { usePresence } from './usePresence'

interface Props {
  list: InstrumentView[]
  chosenId: string
  onChoose: (id: string) => void
  onAdd: () => void
  onCandidate: (candidate: CandidateLine) => void
}

/** The instruments one has, each with its state as it is now; and who else answers. */
export function Shelf({ list, chosenId, onChoose, onAdd, onCandidate }: Props) {
  const presence = usePresence()
  return (
    <nav
      aria-label={t('common:rooms.instruments')}
      className="w-[236px] shrink-0 overflow-auto max-lg:max-h-40 max-lg:w-full border-r border-rule2 bg-paper2"
    >
      {list.map((instrument) => (
        <button
          key={instrument.id}
          type="button"
          aria-current={instrument.id === chosenId ? 'true' : undefined}
          onClick={() => onChoose(instrument.id)}
          className={`block w-full cursor-pointer border-b border-l-[3px] border-b-rule2 px-3 py-2 text-left ${instrument.id === chosenId ? 'border-l-plum bg-wash' : 'border-l-transparent'}`}
        >
          <span className="mb-0.5 flex items-center gap-2">
            <Tag text={instrument.model} />{' '}
            <span className="truncate font-semibold">{presence.of(instrument.id)?.name ?? instrument.maker}</span>
          </span>
          <span className="flex justify-between text-ink2">
            <span>{numberOf(instrument)}</span>
            <ShelfState instrument={instrument} line={presence.of(instrument.id)} isKnown={presence.isKnown} />
          </span>
        </button>
      ))}
      <Trouble error={presence.error} />
      {presence.candidates.map((candidate) => (
        <div key={`${candidate.reach.place} ${candidate.reach.number}`} className="border-b border-rule2 px-3 py-2">
          <div className="font-semibold">
            {candidate.asksForPassCode ? t('instruments:connection.asksForCode') : candidate.who}
          </div>
          <div className="truncate text-[12px] text-ink2" title={candidate.said}>
            {candidate.said}
          </div>
          <Button onClick={() => onCandidate(candidate)}>{t('instruments:connect')}</Button>
        </div>
      ))}
      <div className="px-3 py-3">
        <Button onClick={onAdd}>{t('instruments:add')}</Button>
        <FindButton />
        <p className="pt-2">
          <Link to="/live" className="font-semibold text-plum hover:underline">
            {t('live:open')}
          </Link>
        </p>
        <p className="pt-2">
          <TakeFile onTaken={onChoose} />
        </p>
      </div>
      <SensorShelf />
    </nav>
  )
}

function FindButton() {
  const client = useQueryClient()
  const find = useMutation({
    mutationFn: () => data(api.POST('/api/connections/find', {})),
    onSuccess: (found) => client.setQueryData(queries.presence().queryKey, found),
  })
  return (
    <p className="pt-2">
      <Button disabled={find.isPending} onClick={() => find.mutate()}>
        {find.isPending ? t('instruments:connection.finding') : t('instruments:connection.find')}
      </Button>
      {find.data && find.data.candidates.length === 0 && (
        <span className="block text-ink3">{t('instruments:connection.foundNone')}</span>
      )}
      <Trouble error={find.error} />
    </p>
  )
}

function ShelfState({
  instrument,
  line,
  isKnown,
}: {
  instrument: InstrumentView
  line: ConnectionLine | undefined
  isKnown: boolean
}) {
  if (!isKnown) return <span>…</span>
  if (!line) return <span>{`${t('instruments:seen')} ${day(instrument.lastSeenAt)}`}</span>
  return (
    <span className={line.state === 'CONNECTED' ? 'font-semibold text-ink' : ''} title={line.sentence || undefined}>
      {t(`instruments:connection.states.${line.state}`)}
    </span>
  )
}
