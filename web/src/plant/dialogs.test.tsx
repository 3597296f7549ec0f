import { answering, changes, forget, Refusal } from '../test/fakeServer'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { SettingLine } from '../api/types'
import { show } from '../test/show'
import { LimitDialog } from './LimitDialog'
import { SettingsPanel } from './SettingsPanel'

afterEach(() => {
  cleanup()
  forget()
})

describe('limits', () => {
  const check = { checkId: 'v', point: 'Drive end', check: 'Velocity' }
  const lines = [
    { resultId: 'velocity.rms', name: 'velocity RMS', unit: 'mm/s', watch: 2.8, fail: 4.5 },
    { resultId: 'velocity.peak', name: 'velocity peak', unit: 'mm/s', watch: null, fail: null },
  ]

  it('saves only what was typed, a comma like a point and an empty field as none', async () => {
    answering('GET', '/api/checks/v/limits', () => lines)
    answering('PUT', '/api/checks/v/limits/velocity.rms', () => lines)
    const onClose = vi.fn()
    show(<LimitDialog check={check} onClose={onClose} />)
    fireEvent.change(await screen.findByLabelText('velocity RMS, Watch above'), { target: { value: '' } })
    fireEvent.change(screen.getByLabelText('velocity RMS, Fail above'), { target: { value: '7,1' } })
    fireEvent.click(screen.getByText('Save'))
    await waitFor(() => expect(onClose).toHaveBeenCalled())
    expect(changes()).toEqual([{ method: 'PUT', path: '/api/checks/v/limits/velocity.rms', body: { watch: null, fail: 7.1 } }])
  })

  it('stays open and says what is wrong', async () => {
    answering('GET', '/api/checks/v/limits', () => lines)
    answering('PUT', '/api/checks/v/limits/velocity.rms', () => new Refusal(422, 'invalid', 'The watch boundary must be reached first.'))
    const onClose = vi.fn()
    show(<LimitDialog check={check} onClose={onClose} />)
    fireEvent.change(await screen.findByLabelText('velocity RMS, Fail above'), { target: { value: '1' } })
    fireEvent.click(screen.getByText('Save'))
    expect((await screen.findByRole('alert')).textContent).toBe('The watch boundary must be reached first.')
    expect(onClose).not.toHaveBeenCalled()
  })
})

describe('settings', () => {
  const line = (key: string, more: Partial<SettingLine>): SettingLine => ({
    key,
    name: key,
    unit: '',
    options: [],
    value: '1',
    own: false,
    originId: null,
    originName: '',
    inherited: '1',
    overriddenBeneath: 0,
    ...more,
  })

  it('show where each value comes from, and let one inherit again', async () => {
    answering('GET', '/api/plant/nodes/n/settings', () => [
      line('Lines', {}),
      line('Sensitivity', { value: '50', originId: 'site', originName: 'Bottling works' }),
      line('Rate', { value: '12800', own: true, originId: 'n', inherited: '25600' }),
    ])
    answering('PUT', '/api/plant/nodes/n/settings', () => [])
    show(<SettingsPanel nodeId="n" mayEdit />)
    expect(await screen.findByText('Bottling works')).toBeTruthy()
    expect(screen.getByText('usual value')).toBeTruthy()
    expect(screen.getByText('(25600)', { exact: false })).toBeTruthy()
    fireEvent.click(screen.getByText('inherit again'))
    await waitFor(() => expect(changes()[0]?.body).toEqual({ Rate: null }))
  })

  it('keep a value when the field is left, and nothing when it is unchanged', async () => {
    answering('GET', '/api/plant/nodes/n/settings', () => [line('Rate', { value: '25600' })])
    answering('PUT', '/api/plant/nodes/n/settings', () => [])
    show(<SettingsPanel nodeId="n" mayEdit />)
    const field = await screen.findByLabelText('Rate')
    fireEvent.blur(field)
    expect(changes()).toHaveLength(0)
    fireEvent.change(field, { target: { value: '12800' } })
    fireEvent.blur(field)
    await waitFor(() => expect(changes()[0]?.body).toEqual({ Rate: '12800' }))
  })
})
