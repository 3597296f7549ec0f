import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { asForm } from '../api/fileForm'
import { queries } from '../api/queries'
import { changed } from '../api/subjects'
import type { FirmwareLine, InstrumentView, JobView } from '../api/types'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { FileButton } from '../parts/FileButton'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { minutes } from '../units/format'
import { t } from '../words/t'
import { FirmwareConfirm } from './FirmwareConfirm'

/** The firmware that runs, what else is here for this model, and putting it on. */
export function FirmwareFact({
  instrument,
  busy,
  onDrive,
  onJob,
}: {
  instrument: InstrumentView
  busy: boolean
  onDrive: boolean
  onJob: (job: JobView) => void
}) {
  const client = useQueryClient()
  const here = useQuery(queries.firmware(instrument.model))
  const [asked, setAsked] = useState<FirmwareLine | null>(null)
  const bring = useMutation({
    mutationFn: (file: File) => data(api.POST('/api/firmware', { ...asForm(file) })),
    onSuccess: (kept) => {
      say(t('instruments:update.kept', { version: kept.version, model: kept.model }))
      void changed(client, 'firmware')
    },
  })
  const install = useMutation({
    mutationFn: (firmwareId: string) =>
      data(
        api.POST('/api/instruments/{id}/firmware', { params: { path: { id: instrument.id } }, body: { firmwareId } }),
      ),
    onSuccess: (job) => {
      onJob(job)
      setAsked(null)
    },
  })
  const isVouchedFor = (one: FirmwareLine) =>
    one.confirmedBy !== '' || (one.signedBy !== '' && one.signedBy.toLowerCase() === instrument.maker.toLowerCase())
  const others = here.data?.filter((one) => one.version !== instrument.firmware) ?? []
  if (onDrive) return <span>{instrument.firmware}</span>
  return (
    <>
      <span>{instrument.firmware}</span>{' '}
      <span className="inline-flex flex-wrap gap-x-3">
        {others.map((one) => (
          <Button key={one.id} disabled={busy} onClick={() => setAsked(one)}>
            {t('instruments:update.install', { version: one.version })}
          </Button>
        ))}
        <FileButton
          text={t('instruments:update.bring')}
          label={t('instruments:update.file')}
          accept=".zip"
          disabled={bring.isPending}
          onFile={(file) => bring.mutate(file)}
        />
      </span>
      <Trouble error={bring.error ?? here.error} />
      {asked && !isVouchedFor(asked) && (
        <FirmwareConfirm
          firmware={asked}
          maker={instrument.maker}
          onConfirmed={setAsked}
          onClose={() => setAsked(null)}
        />
      )}
      {asked && isVouchedFor(asked) && (
        <Dialog title={t('instruments:update.title', { version: asked.version })} open onClose={() => setAsked(null)}>
          <p className="mb-3">
            {asked.signedBy
              ? t('instruments:update.signed', { maker: asked.signedBy })
              : t('instruments:update.confirmed', { by: asked.confirmedBy, keptBy: asked.keptBy })}
          </p>
          <p className="mb-3">
            {t('instruments:update.warning', { minutes: minutes(Math.ceil(asked.seconds / 60) + 1) })}
          </p>
          <Trouble error={install.error} />
          <span className="flex gap-4">
            <Button kind="main" disabled={install.isPending} onClick={() => install.mutate(asked.id)}>
              {t('instruments:update.install', { version: asked.version })}
            </Button>
            <Button onClick={() => setAsked(null)}>{t('common:cancel')}</Button>
          </span>
        </Dialog>
      )}
    </>
  )
}
