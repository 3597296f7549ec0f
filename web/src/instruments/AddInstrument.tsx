import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { words } from '../words/en'

export function AddInstrument({ onClose, onAdded }: { onClose: () => void; onAdded: (id: string) => void }) {
  const client = useQueryClient()
  const [host, setHost] = useState('127.0.0.1')
  const [port, setPort] = useState('5025')
  const [passCode, setPassCode] = useState('')
  const add = useMutation({
    mutationFn: () => data(api.POST('/api/instruments', { body: { host, port: Number(port), passCode } })),
    onSuccess: async (instrument) => {
      await client.invalidateQueries({ queryKey: ['instruments'] })
      void client.invalidateQueries({ queryKey: ['connection', instrument.id] })
      void client.invalidateQueries({ queryKey: ['today'] })
      onAdded(instrument.id)
    },
  })
  const fields = [
    { label: words.instruments.host, value: host, set: setHost },
    { label: words.instruments.port, value: port, set: setPort },
    { label: words.instruments.passCode, value: passCode, set: setPassCode },
  ]
  return (
    <Dialog title={words.instruments.add} open onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          add.mutate()
        }}
      >
        {fields.map((field) => (
          <label key={field.label} className="mb-2 flex items-center gap-3">
            <span className="w-28 text-ink2">{field.label}</span>
            <input className="field flex-1" value={field.value} onChange={(event) => field.set(event.target.value)} />
          </label>
        ))}
        <Trouble error={add.error} />
        <div className="mt-3 flex gap-4">
          <Button kind="main" type="submit" disabled={add.isPending || !host || !Number(port)}>
            {words.instruments.connect}
          </Button>
          <Button onClick={onClose}>{words.common.cancel}</Button>
        </div>
      </form>
    </Dialog>
  )
}
