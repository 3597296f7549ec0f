import { useQuery } from '@tanstack/react-query'
import { getRouteApi } from '@tanstack/react-router'
import { useState } from 'react'
import { queries } from '../api/queries'
import { Page } from '../parts/Page'
import { Trouble } from '../parts/Trouble'
import { t } from '../words/t'
import { IssuedCertificate } from './IssuedCertificate'
import { Register } from './Register'
import { SigningDesk } from './SigningDesk'

const route = getRouteApi('/certificates')

export function CertificatesView() {
  const search = route.useSearch()
  const navigate = route.useNavigate()
  const [text, setText] = useState('')
  const register = useQuery({ ...queries.certificates(text), placeholderData: (before) => before })
  const list = register.data ?? []
  const waiting = list.filter((line) => line.state === 'PREPARED')
  const chosen = list.find((line) => line.id === search.certificate)
  const show = (id: string | undefined) => void navigate({ search: { certificate: id }, replace: true })
  return (
    <Page
      say={
        <span className="font-semibold">
          {register.data ? t('certificates:say', { n: waiting.length }) : t('common:loading')}
        </span>
      }
    >
      <div className="flex h-full max-lg:flex-col">
        <section className="min-w-0 flex-1 overflow-auto px-4 py-3">
          <input
            aria-label={t('certificates:search')}
            placeholder={t('certificates:search')}
            className="field mb-3 w-80"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <Trouble error={register.error} />
          <Register list={list} chosenId={chosen?.id} onChoose={show} />
        </section>
        {chosen?.state === 'PREPARED' && <SigningDesk key={chosen.id} line={chosen} onGone={() => show(undefined)} />}
        {chosen && chosen.state !== 'PREPARED' && <IssuedCertificate key={chosen.id} line={chosen} />}
      </div>
    </Page>
  )
}
