import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { useState } from 'react'
import { api, data } from '../api/client'
import { changed } from '../api/subjects'
import type { CertificateLine } from '../api/types'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { Dialog } from '../parts/Dialog'
import { Trouble } from '../parts/Trouble'
import { dayAndTime } from '../units/format'
import { t } from '../words/t'

/** A signed certificate: to download, to prove unchanged, to withdraw. */
export function IssuedCertificate({ line }: { line: CertificateLine }) {
  const client = useQueryClient()
  const may = useMay()
  const [withdrawing, setWithdrawing] = useState(false)
  const [reason, setReason] = useState('')
  const path = { params: { path: { id: line.id } } }
  const proof = useMutation({ mutationFn: () => data(api.GET('/api/certificates/{id}/proof', path)) })
  const withdraw = useMutation({
    mutationFn: () => data(api.POST('/api/certificates/{id}/withdraw', { ...path, body: { reason } })),
    onSuccess: () => setWithdrawing(false),
    onSettled: () => changed(client, 'certificates'),
  })
  return (
    <section
      aria-label={line.number ?? ''}
      className="w-[400px] shrink-0 overflow-auto max-lg:w-full border-l border-rule2 bg-paper2 p-4"
    >
      <h2 className="font-mono text-[17px] font-semibold">{line.number}</h2>
      <p className="mb-3">{line.title}</p>
      <dl className="mb-3 grid grid-cols-[110px_1fr] gap-y-1">
        <dt className="text-ink2">{t('certificates:columns.client')}</dt>
        <dd>{line.client}</dd>
        <dt className="text-ink2">{t('certificates:columns.prepared')}</dt>
        <dd>
          {line.preparedBy}, {dayAndTime(line.preparedAt)}
        </dd>
        <dt className="text-ink2">{t('certificates:columns.signed')}</dt>
        <dd>
          {line.signedBy}, {line.issuedAt && dayAndTime(line.issuedAt)}
        </dd>
        <dt className="text-ink2">SHA-256</dt>
        <dd className="font-mono text-[11px] break-all">{line.sha256}</dd>
      </dl>
      {line.state === 'WITHDRAWN' && (
        <p className="mb-3 font-semibold">
          {t('certificates:state.WITHDRAWN')}: {line.withdrawnBecause}
        </p>
      )}
      {line.changedSince.length > 0 && (
        <div role="status" className="mb-3">
          <p className="font-semibold text-watch">
            {t('certificates:readingsChanged', { n: line.changedSince.length })}
          </p>
          <ul className="list-disc pl-5">
            {line.changedSince.map((sentence, i) => (
              <li key={i}>{sentence}</li>
            ))}
          </ul>
          {line.state === 'ISSUED' && <p>{t('certificates:changedThen')}</p>}
        </div>
      )}
      <div className="flex flex-wrap items-baseline gap-4">
        <a
          className="border border-plum bg-plum px-3.5 py-1 font-semibold text-onplum"
          href={`/api/certificates/${line.id}/pdf`}
          download
        >
          {t('certificates:pdf')}
        </a>
        <Button onClick={() => proof.mutate()}>{t('certificates:prove')}</Button>
        <Link
          to="/visits/$visitId"
          params={{ visitId: line.visitId }}
          className="font-semibold text-plum hover:underline"
        >
          {t('common:rooms.visits')}
        </Link>
        {may.sign && line.state === 'ISSUED' && (
          <Button onClick={() => setWithdrawing(true)}>{t('certificates:withdraw')}</Button>
        )}
      </div>
      <Trouble error={proof.error ?? withdraw.error} />
      {proof.data && (
        <p role="status" className={`mt-3 ${proof.data.unchanged ? '' : 'font-semibold text-fail'}`}>
          {proof.data.unchanged ? t('certificates:unchanged') : t('certificates:changed')}{' '}
          {proof.data.unchanged && <span className="font-mono text-[11px] break-all">{proof.data.sha256}</span>}
        </p>
      )}
      <Dialog title={t('certificates:withdrawWhy')} open={withdrawing} onClose={() => setWithdrawing(false)}>
        <form
          onSubmit={(event) => {
            event.preventDefault()
            withdraw.mutate()
          }}
        >
          <input
            aria-label={t('certificates:withdrawWhy')}
            className="field mb-3 w-full"
            autoFocus
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
          <Trouble error={withdraw.error} />
          <Button kind="main" type="submit" disabled={!reason.trim()}>
            {t('certificates:withdraw')}
          </Button>
        </form>
      </Dialog>
    </section>
  )
}
