import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, data } from '../api/client'
import { queries } from '../api/queries'
import type { CertificateLine } from '../api/types'
import { changed } from '../api/subjects'
import { useMay } from '../parts/useMay'
import { Button } from '../parts/Button'
import { say } from '../parts/notices'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'

/** The page as it will be printed, what is missing before it can be signed, and the signature. */
export function SigningDesk({ line, onGone }: { line: CertificateLine; onGone: () => void }) {
  const client = useQueryClient()
  const may = useMay()
  const preview = useQuery(queries.preview(line.id))
  const [password, setPassword] = useState('')
  const path = { params: { path: { id: line.id } } }
  const renew = () => changed(client, 'certificates')
  const sign = useMutation({
    mutationFn: () =>
      data(
        api.POST('/api/certificates/{id}/sign', { ...path, body: { password, digest: preview.data?.digest ?? '' } }),
      ),
    onSuccess: (issued) => say(t('certificates:signed', { number: issued.number ?? '' })),
    onSettled: renew,
  })
  const discard = useMutation({
    mutationFn: () => data(api.DELETE('/api/certificates/{id}', path)),
    onSuccess: onGone,
    onSettled: renew,
  })
  const missing = preview.data?.missing ?? []
  return (
    <section
      aria-label={t('certificates:preview')}
      className="flex w-[560px] shrink-0 flex-col max-lg:h-[64%] max-lg:w-full border-l border-rule2 bg-paper2 p-3"
    >
      <Trouble error={preview.error ?? discard.error} />
      {preview.data && (
        <iframe
          title={t('certificates:previewTitle')}
          sandbox=""
          className="min-h-0 w-full flex-1 border border-rule2 bg-white"
          srcDoc={onScreen(preview.data.html)}
        />
      )}
      {preview.data?.warnings.map((sentence) => (
        <p key={sentence} className="mb-3 font-semibold text-watch">
          {sentence}
        </p>
      ))}
      {missing.length > 0 && (
        <div className="mt-2">
          <h2 className="font-semibold">{t('certificates:missing')}</h2>
          <ul className="list-disc pl-5">
            {missing.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
        </div>
      )}
      <Trouble error={sign.error} />
      <form
        className="mt-2 flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          sign.mutate()
        }}
      >
        {may.sign ? (
          <>
            <label className="flex-1">
              <span className="block text-ink2">{t('certificates:signWith')}</span>
              <input
                type="password"
                autoComplete="current-password"
                className="field w-full"
                value={password}
                onChange={(event) => setPassword(event.target.value)}
              />
            </label>
            <Button
              kind="main"
              type="submit"
              disabled={!password || sign.isPending || missing.length > 0 || !preview.data}
            >
              {t('certificates:sign')}
            </Button>
          </>
        ) : (
          <p className="flex-1 text-ink2">{t('certificates:onlyReviewer')}</p>
        )}
        {may.edit && <Button onClick={() => discard.mutate()}>{t('certificates:discard')}</Button>}
      </form>
    </section>
  )
}

/** The printed page has its margins from the paper; on the screen it needs some. */
function onScreen(html: string): string {
  return html.replace('</head>', '<style>body{padding:26px 30px;background:#fff;font-size:12.5px}</style></head>')
}
