import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'
import type { InstrumentView } from '../api/types'
import { Button } from '../parts/Button'
import { Tag } from '../parts/Tag'
import { day } from '../units/format'
import { words } from '../words/en'
import { SensorShelf } from './SensorShelf'
import { TakeFile } from './TakeFile'

interface Props {
  list: InstrumentView[]
  chosenId: string
  onChoose: (id: string) => void
  onAdd: () => void
}

/** The instruments one has, each with its state. */
export function Shelf({ list, chosenId, onChoose, onAdd }: Props) {
  return (
    <nav aria-label={words.rooms.instruments} className="w-[236px] shrink-0 overflow-auto max-lg:max-h-40 max-lg:w-full border-r border-rule2 bg-paper2">
      {list.map((instrument) => (
        <button
          key={instrument.id}
          type="button"
          aria-current={instrument.id === chosenId ? 'true' : undefined}
          onClick={() => onChoose(instrument.id)}
          className={`block w-full cursor-pointer border-b border-l-[3px] border-b-rule2 px-3 py-2.5 text-left ${instrument.id === chosenId ? 'border-l-plum bg-wash' : 'border-l-transparent'}`}
        >
          <span className="mb-1 flex items-center gap-2">
            <Tag text={instrument.model} /> <span className="font-semibold">{instrument.maker}</span>
          </span>
          <span className="flex justify-between text-ink2">
            <span>no. {instrument.serial}</span>
            <ShelfState instrument={instrument} asked={instrument.id === chosenId} />
          </span>
        </button>
      ))}
      <div className="px-3 py-3">
        <Button onClick={onAdd}>{words.instruments.add}</Button>
        <TakeFile onTaken={onChoose} />
      </div>
      <SensorShelf />
    </nav>
  )
}

/** Only the chosen one is spoken with; the others say when they were seen. */
function ShelfState({ instrument, asked }: { instrument: InstrumentView; asked: boolean }) {
  const connection = useQuery({ ...queries.connection(instrument.id), enabled: asked })
  if (!asked) return <span>{`${words.instruments.seen} ${day(instrument.lastSeenAt)}`}</span>
  if (connection.data) return <span className="font-semibold text-ink">connected</span>
  return <span>{connection.error ? 'not reachable' : '…'}</span>
}
