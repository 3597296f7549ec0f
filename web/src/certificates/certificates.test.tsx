import { answering, changes, forget, Refusal } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { CertificateLine } from '../api/types'
import { show } from '../test/show'
import { IssuedCertificate } from './IssuedCertificate'
import { Register } from './Register'
import { SigningDesk } from './SigningDesk'

const prepared: CertificateLine = {
  id: 'c',
  visitId: 'v',
  state: 'PREPARED',
  number: null,
  client: 'Marrowdale Works',
  title: 'Monthly walk',
  preparedBy: 'Tarn Hollin',
  preparedAt: '2026-11-23T08:00:00Z',
  signedBy: null,
  issuedAt: null,
  sha256: null,
  withdrawnBecause: null,
  changedSince: [],
}
const issued: CertificateLine = {
  ...prepared,
  state: 'ISSUED',
  number: '2026-0001',
  signedBy: 'Rhea Oakley',
  issuedAt: '2026-11-23T09:00:00Z',
  sha256: 'ab'.repeat(32),
}

function signedInAs(role: string) {
  answering('GET', '/api/session', () => ({ id: 'm', name: 'me', displayName: 'Me', role, active: true, version: 0 }))
}

function previewing(missing: string[]) {
  answering('GET', '/api/certificates/c/preview', () => ({
    id: 'c',
    html: '<html><head></head><body>the page</body></html>',
    missing,
    warnings: [],
    digest: 'd1',
  }))
}

afterEach(() => {
  cleanup()
  forget()
})

describe('signing', () => {
  it('needs the password, and names what was seen', async () => {
    signedInAs('REVIEWER')
    previewing([])
    answering('POST', '/api/certificates/c/sign', () => issued)
    show(<SigningDesk line={prepared} onGone={() => undefined} />)
    const sign = (await screen.findByText('Sign and issue')) as HTMLButtonElement
    expect(sign.disabled).toBe(true)
    fireEvent.change(screen.getByLabelText('Your password, to sign'), { target: { value: 'secret' } })
    await waitFor(() => expect(sign.disabled).toBe(false))
    expect(screen.getByTitle('Certificate preview').getAttribute('sandbox')).toBe('')
    fireEvent.click(sign)
    await waitFor(() => expect(changes()[0]?.body).toEqual({ password: 'secret', digest: 'd1' }))
    expect(await screen.findByText('Signed and issued as no. 2026-0001.')).toBeTruthy()
  })

  it('lists what is missing before, not after', async () => {
    signedInAs('REVIEWER')
    previewing(['The calibration of VH-2 no. 30417 had run out on the day of the visit.'])
    show(<SigningDesk line={prepared} onGone={() => undefined} />)
    expect(await screen.findByText(/had run out on the day/)).toBeTruthy()
    fireEvent.change(await screen.findByLabelText('Your password, to sign'), { target: { value: 'secret' } })
    expect((screen.getByText('Sign and issue') as HTMLButtonElement).disabled).toBe(true)
  })

  it('says why it was refused', async () => {
    signedInAs('ADMINISTRATOR')
    previewing([])
    answering(
      'POST',
      '/api/certificates/c/sign',
      () => new Refusal(422, 'invalid', 'The password is not yours. Nothing was signed.'),
    )
    show(<SigningDesk line={prepared} onGone={() => undefined} />)
    fireEvent.change(await screen.findByLabelText('Your password, to sign'), { target: { value: 'wrong' } })
    await waitFor(() => expect((screen.getByText('Sign and issue') as HTMLButtonElement).disabled).toBe(false))
    fireEvent.click(screen.getByText('Sign and issue'))
    expect((await screen.findByRole('alert')).textContent).toContain('Nothing was signed')
  })

  it('is not for a technician, who may look and delete drafts', async () => {
    signedInAs('TECHNICIAN')
    previewing([])
    answering('DELETE', '/api/certificates/c', () => undefined)
    const onGone = vi.fn()
    show(<SigningDesk line={prepared} onGone={onGone} />)
    expect(await screen.findByText('Only a reviewer can sign.')).toBeTruthy()
    expect(screen.queryByLabelText('Your password, to sign')).toBeNull()
    fireEvent.click(await screen.findByText('Delete draft'))
    await waitFor(() => expect(onGone).toHaveBeenCalled())
  })
})

describe('an issued certificate', () => {
  it('can be proved unchanged, and says loudly when it is not', async () => {
    signedInAs('VIEWER')
    answering('GET', '/api/certificates/c/proof', () => ({
      number: '2026-0001',
      sha256: issued.sha256,
      unchanged: false,
    }))
    show(<IssuedCertificate line={issued} />)
    fireEvent.click(await screen.findByText('Verify'))
    expect((await screen.findByText('The stored file is NOT what was signed.')).className).toContain('text-fail')
    expect(screen.queryByText('Withdraw')).toBeNull()
    expect(screen.getByText('PDF').getAttribute('href')).toBe('/api/certificates/c/pdf')
  })

  it('is withdrawn only with a reason, by somebody who may sign', async () => {
    signedInAs('REVIEWER')
    answering('POST', '/api/certificates/c/withdraw', () => ({ ...issued, state: 'WITHDRAWN' }))
    show(<IssuedCertificate line={issued} />)
    fireEvent.click(await screen.findByText('Withdraw'))
    fireEvent.change(screen.getByRole('textbox'), { target: { value: 'wrong pump' } })
    fireEvent.click(screen.getAllByText('Withdraw').at(-1) as HTMLElement)
    await waitFor(() => expect(changes()[0]?.body).toEqual({ reason: 'wrong pump' }))
  })
})

describe('a certificate whose readings were changed', () => {
  const changed = {
    ...issued,
    changedSince: ['P-101 Drive end, Velocity: the reading was discarded since: cable off.'],
  }

  it('says so in the register and beside the paper', async () => {
    signedInAs('REVIEWER')
    show(
      <>
        <Register list={[changed]} chosenId={undefined} onChoose={() => undefined} />
        <IssuedCertificate line={changed} />
      </>,
    )
    expect(await screen.findAllByText('1 of its readings was changed since')).toHaveLength(2)
    expect(screen.getByText(/discarded since: cable off/)).toBeTruthy()
  })
})

describe('the register', () => {
  it('shows numbers, who signed, and what waits', async () => {
    const onChoose = vi.fn()
    show(<Register list={[prepared, { ...issued, id: 'i' }]} chosenId="i" onChoose={onChoose} />)
    expect(await screen.findByText('to sign')).toBeTruthy()
    expect(screen.getByText('2026-0001').closest('tr')?.getAttribute('aria-current')).toBe('true')
    expect(screen.getByText('Rhea Oakley, 23 Nov 2026')).toBeTruthy()
    fireEvent.click(screen.getByText('to sign'))
    expect(onChoose).toHaveBeenCalledWith('c')
  })
})
